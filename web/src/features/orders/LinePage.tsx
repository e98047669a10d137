import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate, useParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Await, Page } from '../../shared/Page';
import { firstChoices } from '../../shared/piece/choices';
import { LineForm, type LineValues } from './LineForm';
import { changeOf } from './merge';
import { Choosing } from './OrderParts';
import { orderQuery, useChangeOrder } from './queries';

/** Changes a line of an order, or adds one. */
export default function LinePage() {
  const { t } = useTranslation();
  const { id, line } = useParams();
  const order = useQuery(orderQuery(Number(id)));
  return (
    <Page title={t(line === 'new' ? 'line.add' : 'line.change', { reference: order.data?.reference ?? '' })}>
      <Await query={order}>
        {(o) => (
          <Choosing>
            {(p, a) => (
              <Line order={o} line={o.lines.find((l) => l.id === Number(line))} patterns={p} articles={a} />
            )}
          </Choosing>
        )}
      </Await>
    </Page>
  );
}

interface Props {
  order: Schemas['OrderView'];
  line?: Schemas['LineView'];
  patterns: Schemas['PatternView'][];
  articles: Schemas['Article'][];
}

function Line({ order, line, patterns, articles }: Props) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const navigate = useNavigate();
  const change = useChangeOrder(order.id);
  const [seen] = useState(line);
  const start = (): LineValues =>
    line ?? {
      choices: firstChoices(
        patterns.find((p) => p.code === order.lines[0]?.choices.pattern) ??
          (patterns[0] as Schemas['PatternView']),
        articles,
        order.lines[0]?.choices,
      ),
      quantity: 1,
      matching: false,
      note: '',
    };
  const submit = (values: LineValues) =>
    change.mutate(
      line
        ? { lines: [changed(seen ?? line, line, values, change.isError)] }
        : { added: [{ ...values, choices: { ...values.choices, units } }] },
      {
        onSuccess: () => navigate(`/orders/${order.id}`),
      },
    );
  return (
    <LineForm
      patterns={patterns}
      articles={articles}
      start={start}
      due={order.due ?? ''}
      field={line ? `lines[${line.id}].` : 'added[0].'}
      error={change.error}
      busy={change.isPending}
      submit={t(line ? 'line.keep' : 'line.addIt')}
      onSubmit={submit}
      other={{ label: t('line.leave'), onClick: () => navigate(`/orders/${order.id}`) }}
    />
  );
}

type LineView = Schemas['LineView'];

/** What was touched of a line; the server merges it with what others changed meanwhile. */
function changed(seen: LineView, now: LineView, values: LineValues, told: boolean): Schemas['LineChange'] {
  return {
    line: now.id,
    choices: changeOf(seen.choices, now.choices, { ...values.choices, units: seen.choices.units }, told),
    quantity: changeOf(seen.quantity, now.quantity, values.quantity, told),
    matching: changeOf(seen.matching, now.matching, values.matching, told),
    note: changeOf(seen.note, now.note, values.note, told),
  };
}
