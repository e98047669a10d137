import { Button, Grid, Select, Stack, Switch, Table, Text, Textarea } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { ChoiceFields } from '../../shared/piece/ChoiceFields';
import { firstChoices, withOffer } from '../../shared/piece/choices';
import { LivePiece, useLiveChoices } from '../../shared/piece/LivePiece';
import { Verdict } from '../../shared/Verdict';
import { Choosing, CustomerAndDay } from './OrderParts';
import { groupQuery, useTakeOrder } from './queries';

const PAUSE_MS = 200;

/** One pattern for many people, whose names and sizes are pasted. */
export default function GroupPage() {
  const { t } = useTranslation();
  return (
    <Page title={t('group.title')}>
      <Choosing>{(p, a) => <GroupForm patterns={p} articles={a} />}</Choosing>
    </Page>
  );
}

interface FormProps {
  patterns: Schemas['PatternView'][];
  articles: Schemas['Article'][];
}

function GroupForm({ patterns, articles }: FormProps) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const navigate = useNavigate();
  const take = useTakeOrder();
  const [customer, setCustomer] = useState('');
  const [due, setDue] = useState('');
  const [people, setPeople] = useState('');
  const [matching, setMatching] = useState(true);
  const [asked] = useDebouncedValue(people, PAUSE_MS);
  const [pieces, setPieces] = useState(1);
  const { choices, put, set, problem, live } = useLiveChoices(
    () => firstChoices(patterns[0] as Schemas['PatternView'], articles),
    { quantity: Math.max(1, pieces), matching, due },
  );
  const pattern = patterns.find((p) => p.code === choices.pattern) ?? (patterns[0] as Schemas['PatternView']);
  const group = useQuery(groupQuery({ choices: { ...choices, units }, people: asked, matching }));
  const read = asked.trim() === '' ? undefined : group.data;
  if (read && read.pieces !== pieces) setPieces(read.pieces);
  const bad = read?.people.filter((p) => p.problems.length > 0).length ?? 0;
  const refused = take.error instanceof ProblemError ? take.error : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!read) return;
    take.mutate(
      { customer, due: due || undefined, lines: read.lines },
      {
        onSuccess: ({ id }) => {
          notifications.show({ message: t('newOrder.taken', { customer }), color: 'board' });
          navigate(`/orders/${id}`);
        },
      },
    );
  };
  return (
    <Grid gap="md">
      <Grid.Col span={{ base: 12, md: 6 }}>
        <Stack component="form" onSubmit={submit} className="panel" p="md" gap={10}>
          <CustomerAndDay
            customer={customer}
            onCustomer={setCustomer}
            due={due}
            onDue={setDue}
            problem={(field) => refused?.field(field)}
          />
          <Select
            label={t('newOrder.pattern')}
            allowDeselect={false}
            searchable
            data={patterns.map((p) => ({ value: p.code, label: p.name }))}
            value={choices.pattern}
            onChange={(code) => {
              const chosen = patterns.find((p) => p.code === code);
              if (chosen) put(firstChoices(chosen, articles, choices));
            }}
          />
          <Textarea
            label={t('group.people')}
            description={t('group.hint')}
            placeholder={t('group.example')}
            minRows={6}
            maxRows={14}
            autosize
            value={people}
            onChange={(e) => setPeople(e.currentTarget.value)}
          />
          <ProblemNote error={group.error} />
          {read && <PeopleTable people={read.people} />}
          <Switch
            label={t('newOrder.matching')}
            checked={matching}
            onChange={(e) => setMatching(e.currentTarget.checked)}
          />
          <ChoiceFields
            pattern={pattern}
            articles={articles}
            choices={choices}
            set={set}
            problem={problem}
            sized={false}
          />
          <ProblemNote error={take.error} shown={['customer', 'due']} />
          {bad > 0 && (
            <Text size="sm" c="var(--act)" role="alert">
              {t('group.bad', { count: bad })}
            </Text>
          )}
          <Button type="submit" loading={take.isPending} disabled={!read || read.pieces === 0 || bad > 0}>
            {t('group.take', { count: read?.pieces ?? 0 })}
          </Button>
        </Stack>
      </Grid.Col>
      <Grid.Col span={{ base: 12, md: 6 }}>
        <LivePiece live={live} onOffer={(offer) => put(withOffer(choices, offer, patterns, articles))} />
      </Grid.Col>
    </Grid>
  );
}

function PeopleTable({ people }: { people: Schemas['GroupPerson'][] }) {
  const { t } = useTranslation();
  return (
    <Table.ScrollContainer minWidth={320} mah={260}>
      <Table fz="sm" verticalSpacing={3}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th className="right">{t('import.row')}</Table.Th>
            <Table.Th>{t('group.name')}</Table.Th>
            <Table.Th>{t('import.size')}</Table.Th>
            <Table.Th className="right">{t('orders.pieces')}</Table.Th>
            <Table.Th>{t('orders.verdict')}</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {people.map((p) => (
            <Table.Tr key={p.row}>
              <Table.Td className="right">
                <span className="figure">{p.row}</span>
              </Table.Td>
              <Table.Td>{p.name || '–'}</Table.Td>
              <Table.Td>{p.size || '–'}</Table.Td>
              <Table.Td className="right">
                <span className="figure">{p.count}</span>
              </Table.Td>
              <Table.Td>
                {p.verdict && <Verdict word={p.verdict} />}
                {p.problems.map((problem) => (
                  <Text key={problem.field} size="sm" c="var(--act)">
                    {problem.message} {problem.remedy}
                  </Text>
                ))}
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Table.ScrollContainer>
  );
}
