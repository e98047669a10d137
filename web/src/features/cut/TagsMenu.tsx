import { Button, Menu } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { api, ask } from '../../api/client';
import { devicesQuery } from '../../shared/devices';
import { ProblemNote } from '../../shared/ProblemNote';

const EACH = ['PIECE', 'STRAND'] as const;

/** Tags with a code for each piece or strand: as pages, or from the label printer when there is one. */
export function TagsMenu({ list }: { list: number }) {
  const { t } = useTranslation();
  const devices = useQuery(devicesQuery);
  const print = useMutation({
    mutationFn: (each: (typeof EACH)[number]) =>
      ask(api.POST('/api/cut/lists/{id}/tags/print', { params: { path: { id: list } }, body: { each } })),
    onSuccess: () => notifications.show({ message: t('tags.printed'), color: 'board' }),
  });
  return (
    <>
      <Menu position="bottom-end">
        <Menu.Target>
          <Button variant="default" loading={print.isPending}>
            {t('tags.title')}
          </Button>
        </Menu.Target>
        <Menu.Dropdown>
          {EACH.map((each) => (
            <Menu.Item
              key={each}
              component="a"
              href={`/api/cut/lists/${list}/tags.pdf?each=${each}`}
              target="_blank"
            >
              {t(`tags.pdf.${each}`)}
            </Menu.Item>
          ))}
          {devices.data?.there && (
            <>
              <Menu.Divider />
              {EACH.map((each) => (
                <Menu.Item key={each} onClick={() => print.mutate(each)}>
                  {t(`tags.print.${each}`)}
                </Menu.Item>
              ))}
            </>
          )}
        </Menu.Dropdown>
      </Menu>
      <ProblemNote error={print.error} />
    </>
  );
}
