import { Button, Group, NativeSelect, Stack, Text, TextInput } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { useAmount } from '../../shared/amount';
import { devicesQuery, useDevice } from '../../shared/devices';
import { Money } from '../../shared/Figures';
import { formatTime } from '../../shared/format';
import { Await, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { Swatch } from '../../shared/Swatch';
import classes from './CountPage.module.css';
import { bookCount, countHolding, countQuery, giveUpCount, useStockAct } from './queries';

type Sheet = Schemas['CountSheet'];
type Line = Schemas['CountLine'];

/** One stocktake: every holding is counted, differences get their reasons, and the books are set right. */
export default function CountPage() {
  const { t } = useTranslation();
  const { id } = useParams();
  const sheet = useQuery(countQuery(Number(id)));
  return (
    <Page
      title={t('count.title')}
      actions={
        <Button component={Link} to="/stock/count" variant="default">
          {t('count.all')}
        </Button>
      }
    >
      <Await query={sheet}>{(s) => <CountSheet sheet={s} />}</Await>
    </Page>
  );
}

function CountSheet({ sheet: { stocktake, lines } }: { sheet: Sheet }) {
  const { t } = useTranslation();
  const book = useStockAct(bookCount);
  const giveUp = useStockAct(giveUpCount);
  const [reasons, setReasons] = useState<Record<number, string>>({});
  const open = !stocktake.bookedAt && !stocktake.givenUp;
  const problem = (holding: number) =>
    book.error instanceof ProblemError ? book.error.field(`reasons[${holding}]`) : undefined;
  const submit = () =>
    book.mutate(
      {
        id: stocktake.id,
        reasons: Object.entries(reasons).map(([holding, reason]) => ({ holding: Number(holding), reason })),
      },
      { onSuccess: () => notifications.show({ message: t('count.done'), color: 'board' }) },
    );
  return (
    <>
      <Text>
        {stocktake.what || t('count.everything')} ·{' '}
        {t('count.progress', { counted: stocktake.counted, lines: stocktake.lines })}
        {stocktake.bookedAt &&
          ` · ${t('count.booked', { when: formatTime(stocktake.bookedAt), who: stocktake.bookedBy })}`}
        {stocktake.givenUp && ` · ${t('count.givenUp')}`}
      </Text>
      <div className="panel">
        {lines.map((line) => (
          <CountLine
            key={line.holdingId}
            stocktake={stocktake.id}
            line={line}
            open={open}
            reason={reasons[line.holdingId] ?? line.reason}
            onReason={(reason) => setReasons((all) => ({ ...all, [line.holdingId]: reason }))}
            problem={problem(line.holdingId)}
          />
        ))}
      </div>
      {open && (
        <>
          <ProblemNote
            error={book.error ?? giveUp.error}
            shown={lines.map((l) => `reasons[${l.holdingId}]`)}
          />
          <Group>
            <Button onClick={submit} loading={book.isPending}>
              {t('count.book')}
            </Button>
            <Button variant="default" onClick={() => giveUp.mutate(stocktake.id)} loading={giveUp.isPending}>
              {t('count.giveUp')}
            </Button>
          </Group>
        </>
      )}
    </>
  );
}

interface LineProps {
  stocktake: number;
  line: Line;
  open: boolean;
  reason: string;
  onReason: (reason: string) => void;
  problem?: string;
}

const GRAM = 1000;

function CountLine({ stocktake, line, open, reason, onReason, problem }: LineProps) {
  const { t } = useTranslation();
  const print = useAmount();
  const amount = (quantity: number) => print(quantity, line.unit);
  return (
    <section className={classes.line} aria-label={`${line.label} ${line.name}`}>
      <div>
        <Group gap={6} wrap="nowrap">
          <Swatch colour={line.colour} />
          <Text fw={650}>
            {line.label} {line.name}
          </Text>
        </Group>
        <Text size="sm" c="dimmed">
          {line.shelf || '–'} · {line.code} · {t('receive.ofLot', { lot: line.lot })}
        </Text>
      </div>
      <div>
        <Text size="xs" c="dimmed">
          {t('count.expected')}
        </Text>
        <span className="figure">
          {line.expected === undefined ? t('count.secret') : amount(line.expected)}
        </span>
      </div>
      {open ? (
        <CountForm stocktake={stocktake} line={line} />
      ) : (
        <div>
          <Text size="xs" c="dimmed">
            {t('count.counted')}
          </Text>
          <span className="figure">{line.counted === undefined ? '–' : amount(line.counted)}</span>
        </div>
      )}
      <div>
        {line.counted !== undefined && open && (
          <Text size="sm">
            {t('count.counted')} <span className="figure">{amount(line.counted)}</span>
          </Text>
        )}
        {line.difference !== undefined && (
          <Text size="sm" className={line.difference === 0 ? undefined : classes.differs}>
            {line.difference === 0
              ? t('count.agrees')
              : t(line.difference < 0 ? 'count.missing' : 'count.found', {
                  amount: amount(Math.abs(line.difference)),
                })}
            {line.value !== undefined && line.value !== 0 && (
              <>
                {' '}
                (<Money value={line.value} />)
              </>
            )}
          </Text>
        )}
        {line.difference !== undefined &&
          line.difference !== 0 &&
          (open ? (
            <TextInput
              size="xs"
              aria-label={t('count.reason', { label: line.label })}
              placeholder={t('count.why')}
              value={reason}
              onChange={(e) => onReason(e.currentTarget.value)}
              error={problem}
            />
          ) : (
            <Text size="sm">{line.reason}</Text>
          ))}
      </div>
    </section>
  );
}

function CountForm({ stocktake, line }: { stocktake: number; line: Line }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const devices = useQuery(devicesQuery);
  const scale = useDevice('SCALE');
  const counter = useDevice('COUNTER');
  const count = useStockAct(countHolding);
  const cord = line.kind !== 'BOX';
  const weighable = cord && line.densityUgM !== undefined;
  const [how, setHow] = useState<'LENGTH' | 'WEIGHT'>('LENGTH');
  const [text, setText] = useState('');
  const [tare, setTare] = useState(line.tareMg === undefined ? '' : `${line.tareMg / GRAM} g`);
  const problem = (field: string) =>
    count.error instanceof ProblemError ? count.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    count.mutate(
      { id: stocktake, holding: line.holdingId, amount: text, tare, how: cord ? how : 'COUNT', units },
      { onSuccess: () => setText('') },
    );
  };
  const device = how === 'WEIGHT' ? scale : counter;
  const read = () =>
    device.mutate(undefined, {
      onSuccess: ({ amount }) => setText(how === 'WEIGHT' ? `${amount / GRAM} g` : `${amount / GRAM} mm`),
    });
  return (
    <Stack component="form" onSubmit={submit} gap={4}>
      <Group gap={6} align="flex-start">
        {weighable && (
          <NativeSelect
            aria-label={t('count.by', { label: line.label })}
            w={104}
            data={[
              { value: 'LENGTH', label: t('count.by.LENGTH') },
              { value: 'WEIGHT', label: t('count.by.WEIGHT') },
            ]}
            value={how}
            onChange={(e) => setHow(e.currentTarget.value as 'LENGTH' | 'WEIGHT')}
          />
        )}
        <TextInput
          flex={1}
          miw={80}
          aria-label={t(how === 'WEIGHT' ? 'count.gross' : 'count.amount', { label: line.label })}
          placeholder={
            how === 'WEIGHT' ? '280 g' : t(`count.example.${line.unit === 'METRE' ? units : line.unit}`)
          }
          value={text}
          onChange={(e) => setText(e.currentTarget.value)}
          error={problem('amount')}
        />
        {how === 'WEIGHT' && (
          <TextInput
            w={90}
            aria-label={t('count.tare', { label: line.label })}
            placeholder={t('count.tareShort')}
            value={tare}
            onChange={(e) => setTare(e.currentTarget.value)}
            error={problem('tare')}
          />
        )}
        <Button type="submit" variant="default" loading={count.isPending}>
          {t('count.note')}
        </Button>
      </Group>
      {devices.data?.there && cord && (
        <Button size="compact-xs" variant="default" w="fit-content" onClick={read} loading={device.isPending}>
          {t(how === 'WEIGHT' ? 'count.scale' : 'count.counter')}
        </Button>
      )}
      <ProblemNote error={device.error ?? (problem('amount') || problem('tare') ? null : count.error)} />
    </Stack>
  );
}
