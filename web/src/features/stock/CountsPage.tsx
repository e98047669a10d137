import { Button, Checkbox, Group, Stack, Table, Text, TextInput, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import { ProblemError } from '../../api/client';
import { formatTime } from '../../shared/format';
import { Await, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { countsQuery, startCount, useStockAct } from './queries';

/** Stocktakes: a new one, those that are open, and those that were booked. */
export default function CountsPage() {
  const { t } = useTranslation();
  const counts = useQuery(countsQuery);
  return (
    <Page
      title={t('count.title')}
      actions={
        <Button component={Link} to="/stock" variant="default">
          {t('receive.wall')}
        </Button>
      }
    >
      <StartForm />
      <Await query={counts}>
        {(rows) =>
          rows.length === 0 ? (
            <Text c="dimmed">{t('count.none')}</Text>
          ) : (
            <Stack className="panel" p="md" gap="xs">
              <Title order={2} size="h4">
                {t('count.all')}
              </Title>
              <Table fz="sm" verticalSpacing={6}>
                <Table.Thead>
                  <Table.Tr>
                    <Table.Th>{t('count.what')}</Table.Th>
                    <Table.Th>{t('count.started')}</Table.Th>
                    <Table.Th className="right">{t('count.counted')}</Table.Th>
                    <Table.Th>{t('count.state')}</Table.Th>
                  </Table.Tr>
                </Table.Thead>
                <Table.Tbody>
                  {rows.map((s) => (
                    <Table.Tr key={s.id}>
                      <Table.Td>
                        <Link to={`/stock/count/${s.id}`}>{s.what || t('count.everything')}</Link>
                      </Table.Td>
                      <Table.Td>
                        {formatTime(s.startedAt)} {s.startedBy}
                      </Table.Td>
                      <Table.Td className="right">
                        <span className="figure">
                          {s.counted} / {s.lines}
                        </span>
                      </Table.Td>
                      <Table.Td>
                        {s.bookedAt
                          ? t('count.booked', { when: formatTime(s.bookedAt), who: s.bookedBy })
                          : t(s.givenUp ? 'count.givenUp' : 'count.open')}
                      </Table.Td>
                    </Table.Tr>
                  ))}
                </Table.Tbody>
              </Table>
            </Stack>
          )
        }
      </Await>
    </Page>
  );
}

function StartForm() {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const start = useStockAct(startCount);
  const [article, setArticle] = useState('');
  const [shelf, setShelf] = useState('');
  const [blind, setBlind] = useState(false);
  const problem = (field: string) =>
    start.error instanceof ProblemError ? start.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    start.mutate(
      { article, shelf, blind },
      { onSuccess: (made) => navigate(`/stock/count/${(made as { id: number }).id}`) },
    );
  };
  return (
    <Stack component="form" onSubmit={submit} className="panel" p="md" gap="sm">
      <Text>{t('count.how')}</Text>
      <Group align="flex-start" gap="md">
        <TextInput
          label={t('count.shelf')}
          value={shelf}
          onChange={(e) => setShelf(e.currentTarget.value)}
          error={problem('shelf')}
        />
        <TextInput
          label={t('count.article')}
          value={article}
          onChange={(e) => setArticle(e.currentTarget.value)}
          error={problem('article')}
        />
        <Button type="submit" mt={25} loading={start.isPending}>
          {t('count.start')}
        </Button>
      </Group>
      <Checkbox
        label={t('count.blind')}
        checked={blind}
        onChange={(e) => setBlind(e.currentTarget.checked)}
      />
      <ProblemNote error={start.error} shown={['shelf', 'article']} />
      <Text size="sm">
        <Link to="/finished/shelf/count">{t('count.finished')}</Link>
      </Text>
    </Stack>
  );
}
