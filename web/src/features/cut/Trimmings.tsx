import { Alert, Button, Group, Menu, Stack, Text } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { formatLength } from '../../shared/format';
import { strandName } from '../../shared/names';
import { ProblemNote } from '../../shared/ProblemNote';
import { Swatch } from '../../shared/Swatch';
import { useTailTooShort } from './queries';

/** Short strands that are not cut: the tails to keep, what they are for, and what to do when one is too short. */
export function Trimmings({ list }: { list: Schemas['CutListView'] }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const tooShort = useTailTooShort(list.id);
  return (
    <Alert
      color="board"
      variant="outline"
      title={t('cut.trimmings', { count: list.trimmings.reduce((n, trimming) => n + trimming.strands, 0) })}
    >
      <Stack gap="xs">
        {list.trimmings.map((trimming) => (
          <Group key={trimming.strandIds.join()} gap="xs" wrap="nowrap" align="flex-start">
            <Swatch colour={trimming.colour} />
            <Stack gap={4} align="flex-start">
              <Text size="sm">
                {t(ownBody(trimming) ? 'cut.trimmingOwn' : 'cut.trimming', {
                  strands: trimming.strands,
                  role: strandName(t, trimming.role),
                  reference: trimming.reference,
                  pieces: trimming.pieces.map((p) => `#${p}`).join(', '),
                  length: formatLength(trimming.lengthUm, units),
                  article: `${trimming.articleName} (${trimming.articleCode})`,
                  source: strandName(t, trimming.sourceRole),
                  sources: [...new Set(trimming.sourcePieces)].map((p) => `#${p}`).join(', '),
                  tail: formatLength(trimming.tailUm, units),
                })}
              </Text>
              <TooShort
                trimming={trimming}
                busy={tooShort.isPending}
                act={(strand) =>
                  tooShort.mutate(strand, {
                    onSuccess: () => notifications.show({ message: t('cut.tailTooShortDone') }),
                  })
                }
              />
            </Stack>
          </Group>
        ))}
        <Text size="sm">{t('cut.trimmingsThen')}</Text>
        <ProblemNote error={tooShort.error} />
      </Stack>
    </Alert>
  );
}

function ownBody(trimming: Schemas['TrimmingView']) {
  return trimming.pieces.every((piece, i) => piece === trimming.sourcePieces[i]);
}

/** One more look before the plan changes: of which piece the tail is too short. */
function TooShort({
  trimming,
  busy,
  act,
}: {
  trimming: Schemas['TrimmingView'];
  busy: boolean;
  act: (strand: number) => void;
}) {
  const { t } = useTranslation();
  return (
    <Menu position="bottom-start" withArrow>
      <Menu.Target>
        <Button variant="default" size="sm" loading={busy}>
          {t('cut.tailTooShort')}
        </Button>
      </Menu.Target>
      <Menu.Dropdown mah={300} style={{ overflowY: 'auto' }}>
        {trimming.strandIds.map((strand, i) => (
          <Menu.Item key={strand} onClick={() => act(strand)}>
            {t('cut.tailTooShortFor', { piece: trimming.pieces[i] })}
          </Menu.Item>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
}
