import { Button, Group, NumberInput, Stack, Text, Title } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { useAmount } from '../../shared/amount';
import { Money } from '../../shared/Figures';
import { formatDay } from '../../shared/format';
import { ProblemNote } from '../../shared/ProblemNote';
import { Swatch } from '../../shared/Swatch';
import { placePurchase, useStockAct } from './queries';
import classes from './Supplies.module.css';

type Line = Schemas['BuyLine'];
type Offer = Schemas['BuyOffer'];

/** What is missing, grouped by who sells it; how many are bought can be changed. */
export function Suggested({ lines }: { lines: Line[] }) {
  const { t } = useTranslation();
  const groups = new Map<number, { supplier: string; lines: Line[] }>();
  for (const line of lines) {
    const offer = line.offers[0] as Offer;
    const id = offer.supplierId ?? 0;
    const group = groups.get(id) ?? { supplier: offer.supplier, lines: [] };
    group.lines.push(line);
    groups.set(id, group);
  }
  return (
    <>
      {[...groups].map(([id, group]) =>
        id === 0 ? (
          <div key={id} className="panel">
            <Title order={2} size="h4" p="md" pb={0}>
              {t('buy.nobody')}
            </Title>
            {group.lines.map((l) => (
              <BuyRow key={l.articleId} line={l}>
                <Button component={Link} size="compact-sm" variant="default" to={`/stock/articles/${l.code}`}>
                  {t('buy.addPutUp')}
                </Button>
              </BuyRow>
            ))}
          </div>
        ) : (
          <SupplierGroup key={id} supplier={id} name={group.supplier} lines={group.lines} />
        ),
      )}
    </>
  );
}

function SupplierGroup({ supplier, name, lines }: { supplier: number; name: string; lines: Line[] }) {
  const { t } = useTranslation();
  const place = useStockAct(placePurchase);
  const [changed, setChanged] = useState<Record<number, number | string>>({});
  const picks = lines.flatMap((l) => l.offers[0]?.picks ?? []);
  const count = (putUp: number, suggested: number) => Number(changed[putUp] ?? suggested) || 0;
  const wanted = picks
    .map((p) => ({ putUp: p.putUp, count: count(p.putUp, p.count) }))
    .filter((p) => p.count > 0);
  const submit = () =>
    place.mutate(
      { supplier, lines: wanted },
      {
        onSuccess: () => {
          setChanged({});
          notifications.show({ message: t('buy.placed', { name }), color: 'board' });
        },
      },
    );
  return (
    <section className="panel" aria-label={name}>
      <Group justify="space-between" p="md" pb={0}>
        <Title order={2} size="h4">
          {t('buy.from', { name })}
        </Title>
        <Button onClick={submit} loading={place.isPending} disabled={wanted.length === 0}>
          {t('buy.place', { count: wanted.length })}
        </Button>
      </Group>
      <ProblemNote error={place.error} />
      {lines.map((l) => (
        <BuyRow key={l.articleId} line={l}>
          <Picks
            line={l}
            counts={changed}
            onChange={(putUp, n) => setChanged((all) => ({ ...all, [putUp]: n }))}
          />
        </BuyRow>
      ))}
    </section>
  );
}

interface PicksProps {
  line: Line;
  counts: Record<number, number | string>;
  onChange: (putUp: number, count: number | string) => void;
}

function Picks({ line, counts, onChange }: PicksProps) {
  const { t } = useTranslation();
  const print = useAmount();
  const amount = (quantity: number) => print(quantity, line.unit);
  const [best, ...others] = line.offers;
  return (
    <Stack gap={6}>
      {best?.picks.map((p) => (
        <Group key={p.putUp} gap="xs" wrap="nowrap">
          <NumberInput
            w={84}
            size="xs"
            min={0}
            allowDecimal={false}
            aria-label={t('buy.howMany', { name: line.name, amount: amount(p.quantity) })}
            value={counts[p.putUp] ?? p.count}
            onChange={(n) => onChange(p.putUp, n)}
          />
          <Text size="sm">
            × {amount(p.quantity)} {p.code} · <Money value={p.price} />
          </Text>
        </Group>
      ))}
      {best && (
        <Text size="sm" c="dimmed">
          {t('buy.comes', { amount: amount(best.quantity), days: best.leadDays })}{' '}
          <Money value={best.price} />
        </Text>
      )}
      {others.map((o) => (
        <Text key={o.supplierId} size="xs" c="dimmed">
          {t('buy.instead', { name: o.supplier, amount: amount(o.quantity), days: o.leadDays })}{' '}
          <Money value={o.price} />
        </Text>
      ))}
    </Stack>
  );
}

export function BuyRow({ line, children }: { line: Line; children?: React.ReactNode }) {
  const { t } = useTranslation();
  const print = useAmount();
  const amount = (quantity: number) => print(quantity, line.unit);
  const offer = line.offers[0] as Offer;
  return (
    <div className={classes.buy}>
      <div>
        <Group gap={6} wrap="nowrap">
          <Swatch colour={line.colour} />
          <Text fw={650} component={Link} to={`/stock/articles/${line.code}`} c="inherit">
            {line.name}
          </Text>
          <span className="figure">{line.code}</span>
        </Group>
        <Text size="sm" c="dimmed">
          {t('buy.there', { onHand: amount(line.onHand), owed: amount(line.owed) })}
          {line.onOrder > 0 && ` ${t('buy.onWay', { amount: amount(line.onOrder) })}`}
        </Text>
        <Text size="sm" c="dimmed">
          {line.weeks === 0
            ? t('buy.noHabit')
            : t('buy.habit', { amount: amount(line.weekly), count: line.weeks })}
        </Text>
      </div>
      <div>
        <Weeks line={line} />
        <Text size="sm" className={line.runsOut ? classes.missing : undefined}>
          {line.runsOut ? t('buy.runsOut', { day: formatDay(line.runsOut) }) : t('buy.lasts')}
        </Text>
        <Text size="xs" c="dimmed">
          {t('buy.axis')}
        </Text>
      </div>
      <div>
        {offer.needed > 0 && (
          <Text size="sm" mb={4}>
            {t('buy.needed', { amount: amount(offer.needed) })}
            {offer.reserve > 0 && ` (${t('buy.reserve', { amount: amount(offer.reserve) })})`}
          </Text>
        )}
        {children}
      </div>
    </div>
  );
}

const TALL = 40;

const WIDE = 10;

/** What is left week by week when nothing is bought; what is missing hangs below the line. */
function Weeks({ line }: { line: Line }) {
  const { t } = useTranslation();
  const print = useAmount();
  const amount = (quantity: number) => print(quantity, line.unit);
  const most = Math.max(...line.levels.map((l) => l.quantity), 0);
  const least = Math.min(...line.levels.map((l) => l.quantity), 0);
  const scale = TALL / Math.max(most - least, 1);
  const zero = most * scale + 2;
  return (
    <svg
      className={classes.weeks}
      viewBox={`0 0 ${line.levels.length * WIDE} 44`}
      preserveAspectRatio="none"
      role="img"
      aria-label={line.levels.map((l) => `${formatDay(l.day)}: ${amount(l.quantity)}`).join(', ')}
    >
      <title>{t('buy.weeks')}</title>
      {line.levels.map((l, i) => (
        <rect
          key={l.day}
          className={l.quantity < 0 ? classes.short : undefined}
          x={i * WIDE + 1}
          width={WIDE - 2}
          y={l.quantity < 0 ? zero : zero - l.quantity * scale}
          height={Math.max(Math.abs(l.quantity) * scale, 0.5)}
        />
      ))}
      <line x1="0" x2={line.levels.length * WIDE} y1={zero} y2={zero} />
    </svg>
  );
}
