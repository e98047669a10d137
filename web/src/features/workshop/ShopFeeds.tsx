import {
  Alert,
  Button,
  Code,
  CopyButton,
  Group,
  SegmentedControl,
  Stack,
  Table,
  Text,
  TextInput,
  Title,
} from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError } from '../../api/client';
import { type Units, useUnits } from '../../app/units';
import { formatTime } from '../../shared/format';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { feedsQuery, useCloseFeed, useOpenFeed } from './queries';

/** The shops that may deliver orders by themselves; for owners. */
export function ShopFeeds() {
  const { t } = useTranslation();
  const feeds = useQuery(feedsQuery);
  const close = useCloseFeed();
  const [closing, setClosing] = useState<string>();
  return (
    <Stack className="panel" p="md" maw={680} gap="sm">
      <Title order={2} size="h4">
        {t('shops.title')}
      </Title>
      <Text size="sm">{t('shops.words')}</Text>
      <Await query={feeds}>
        {(rows) =>
          rows.length > 0 && (
            <Table verticalSpacing={4}>
              <Table.Thead>
                <Table.Tr>
                  <Table.Th>{t('shops.name')}</Table.Th>
                  <Table.Th>{t('shops.units')}</Table.Th>
                  <Table.Th>{t('shops.last')}</Table.Th>
                  <Table.Td />
                </Table.Tr>
              </Table.Thead>
              <Table.Tbody>
                {rows.map((f) => (
                  <Table.Tr key={f.source}>
                    <Table.Td style={{ overflowWrap: 'anywhere' }}>{f.source}</Table.Td>
                    <Table.Td>{t(f.units === 'METRIC' ? 'shops.metric' : 'shops.imperial')}</Table.Td>
                    <Table.Td>{f.lastArrived ? formatTime(f.lastArrived) : t('shops.never')}</Table.Td>
                    <Table.Td className="right">
                      {closing === f.source ? (
                        <Group gap="xs" justify="flex-end">
                          <Button
                            size="compact-sm"
                            color="coral"
                            variant="outline"
                            onClick={() => close.mutate(f.source)}
                          >
                            {t('shops.closeSure')}
                          </Button>
                          <Button size="compact-sm" variant="default" onClick={() => setClosing(undefined)}>
                            {t('shops.keep')}
                          </Button>
                        </Group>
                      ) : (
                        <Button size="compact-sm" variant="default" onClick={() => setClosing(f.source)}>
                          {t('shops.close')}
                        </Button>
                      )}
                    </Table.Td>
                  </Table.Tr>
                ))}
              </Table.Tbody>
            </Table>
          )
        }
      </Await>
      <ProblemNote error={close.error} />
      <OpenFeed />
    </Stack>
  );
}

function OpenFeed() {
  const { t } = useTranslation();
  const { units: mine } = useUnits();
  const open = useOpenFeed();
  const [source, setSource] = useState('');
  const [units, setUnits] = useState<Units>(mine);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    open.mutate({ source, units }, { onSuccess: () => setSource('') });
  };
  return (
    <Stack component="form" onSubmit={submit} gap="sm">
      <Group align="flex-start" gap="sm">
        <TextInput
          label={t('shops.new')}
          value={source}
          onChange={(e) => setSource(e.currentTarget.value)}
          error={open.error instanceof ProblemError ? open.error.field('source') : undefined}
        />
        <SegmentedControl
          mt={26}
          aria-label={t('shops.units')}
          value={units}
          onChange={(u) => setUnits(u as Units)}
          data={[
            { value: 'METRIC', label: t('shops.metric') },
            { value: 'IMPERIAL', label: t('shops.imperial') },
          ]}
        />
        <Button type="submit" mt={26} variant="default" loading={open.isPending}>
          {t('shops.open')}
        </Button>
      </Group>
      <ProblemNote error={open.error} shown={['source']} />
      {open.data && (
        <Alert color="board" variant="outline" title={t('shops.key', { source: open.data.source })}>
          <Group gap="sm">
            <Code style={{ overflowWrap: 'anywhere' }}>{open.data.key}</Code>
            <CopyButton value={open.data.key}>
              {({ copied, copy }) => (
                <Button size="compact-sm" variant="default" onClick={copy}>
                  {t(copied ? 'shops.copied' : 'shops.copy')}
                </Button>
              )}
            </CopyButton>
          </Group>
          <Text size="sm" mt={6}>
            {t('shops.keyWords')}
          </Text>
        </Alert>
      )}
    </Stack>
  );
}
