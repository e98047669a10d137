import { Alert, Anchor, Button, Group, Stack, Table, Text } from '@mantine/core';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Length } from '../../shared/Figures';
import { change, formatDay } from '../../shared/format';
import { More } from '../../shared/More';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { type Point, pointsQuery, type Said, type Subject, useSay } from './queries';

/** What was measured, in the unit of its subject. */
function Value({ subject, value }: { subject: Subject; value: number }) {
  const { t } = useTranslation();
  if (subject !== 'TIME') return <Length um={value * 1000} kind="cord" />;
  return (
    <span className="figure">
      {value < 90
        ? t('learned.seconds', { count: Math.round(value) })
        : t('learned.minutes', { count: Math.round(value / 6) / 10 })}
    </span>
  );
}

/** What can still be said of a measurement. */
const sayable = (point: Point): Said[] => {
  if (point.standing === 'DROPPED' || point.confirmed) return ['back'];
  return point.outcome === 'DOUBTED' ? ['confirm', 'drop'] : ['drop'];
};

/** The measurements behind a figure, the newest first. */
export function Points({ subject, feature }: { subject: Subject; feature: string }) {
  const { t } = useTranslation();
  const points = useInfiniteQuery(pointsQuery(subject, feature));
  const say = useSay();
  return (
    <Await query={points}>
      {({ pages }) => (
        <Stack gap="xs">
          {say.error && <ProblemNote error={say.error} />}
          <Table.ScrollContainer minWidth={420}>
            <Table verticalSpacing={3} horizontalSpacing={6} aria-label={t('learned.points')}>
              <Table.Thead>
                <Table.Tr>
                  <Table.Th>{t('learned.day')}</Table.Th>
                  <Table.Th>{t('learned.of')}</Table.Th>
                  <Table.Th ta="right">{t('learned.was')}</Table.Th>
                  <Table.Th ta="right">{t('learned.expected')}</Table.Th>
                  <Table.Th ta="right">{t('learned.off')}</Table.Th>
                  <Table.Td />
                </Table.Tr>
              </Table.Thead>
              <Table.Tbody>
                {pages
                  .flatMap((page) => page.rows)
                  .map((point) => (
                    <PointRow
                      key={point.id}
                      point={point}
                      busy={say.isPending}
                      onSay={(said) => say.mutate({ id: point.id, said })}
                    />
                  ))}
              </Table.Tbody>
            </Table>
          </Table.ScrollContainer>
          <More query={points} />
        </Stack>
      )}
    </Await>
  );
}

interface RowProps {
  point: Point;
  busy: boolean;
  onSay: (said: Said) => void;
}

function PointRow({ point, busy, onSay }: RowProps) {
  const { t } = useTranslation();
  return (
    <Table.Tr>
      <Table.Td>{formatDay(point.day)}</Table.Td>
      <Table.Td>
        <Of point={point} />
        <State point={point} />
      </Table.Td>
      <Table.Td ta="right">
        {point.bound !== 'EXACT' && `${t(`learned.bound.${point.bound}`)} `}
        <Value subject={point.subject} value={point.value} />
      </Table.Td>
      <Table.Td ta="right">
        {point.expected !== undefined && <Value subject={point.subject} value={point.expected} />}
      </Table.Td>
      <Table.Td ta="right" className="figure">
        {point.expected !== undefined && change(point.value / point.expected)}
      </Table.Td>
      <Table.Td ta="right">
        <Group gap={4} justify="flex-end" wrap="nowrap">
          {sayable(point).map((said) => (
            <Button
              key={said}
              size="compact-sm"
              variant="default"
              disabled={busy}
              onClick={() => onSay(said)}
            >
              {t(`learned.say.${said}`)}
            </Button>
          ))}
        </Group>
      </Table.Td>
    </Table.Tr>
  );
}

function Of({ point }: { point: Point }) {
  const { t } = useTranslation();
  return (
    <Text size="sm" span>
      {point.order !== undefined ? (
        <Anchor component={Link} to={`/orders/${point.order}`} inherit underline="always">
          {point.reference}
        </Anchor>
      ) : (
        t(`learned.source.${point.source}`)
      )}
      {point.maker && `, ${point.maker}`}
    </Text>
  );
}

/** Whether it is learned from, where it is not plain. */
function State({ point }: { point: Point }) {
  const { t } = useTranslation();
  const key =
    point.standing !== 'STANDS'
      ? point.standing
      : point.confirmed
        ? 'CONFIRMED'
        : point.outcome === 'LEARNED' || point.outcome === undefined
          ? undefined
          : point.outcome;
  if (!key) return null;
  return (
    <Text size="xs" c={key === 'DOUBTED' ? 'coral' : 'dimmed'}>
      {t(`learned.state.${key}`)}
    </Text>
  );
}

/** Figures that are too strange to be believed, until somebody says so; nothing when there are none. */
export function Doubted() {
  const { t } = useTranslation();
  const doubted = useInfiniteQuery(pointsQuery('CORD', ''));
  const say = useSay();
  const rows = doubted.data?.pages.flatMap((page) => page.rows) ?? [];
  if (rows.length === 0) return null;
  return (
    <Alert color="straw" variant="outline" title={t('learned.doubted', { count: rows.length })}>
      <Stack gap="sm">
        {say.error && <ProblemNote error={say.error} />}
        {rows.map((point) => (
          <Group key={point.id} justify="space-between" gap="sm">
            <Text size="sm">
              {formatDay(point.day)}: <Of point={point} />, {t(`learned.subject.${point.subject}`)}{' '}
              <b>
                <Value subject={point.subject} value={point.value} />
              </b>
              {point.low !== undefined && point.high !== undefined && (
                <>
                  {' '}
                  {t('learned.where')} <Value subject={point.subject} value={point.low} /> {t('learned.to')}{' '}
                  <Value subject={point.subject} value={point.high} /> {t('learned.wereExpected')}
                </>
              )}
            </Text>
            <Group gap="xs">
              {sayable(point).map((said) => (
                <Button
                  key={said}
                  variant="default"
                  disabled={say.isPending}
                  onClick={() => say.mutate({ id: point.id, said })}
                >
                  {t(`learned.say.${said}`)}
                </Button>
              ))}
            </Group>
          </Group>
        ))}
        <More query={doubted} />
      </Stack>
    </Alert>
  );
}
