import { Button, Group, List, Stack, Table, Text } from '@mantine/core';
import type { TFunction } from 'i18next';
import { memo } from 'react';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Because } from '../Because';
import { Length, Money } from '../Figures';
import { change, formatLength } from '../format';
import { MarkOf } from '../MarkOf';
import { partName, stitchName, strandName } from '../names';
import { PiecePicture } from '../PiecePicture';
import { StrandBar } from '../StrandBar';
import { Verdict } from '../Verdict';
import classes from './PiecePanel.module.css';
import { PromiseLine } from './PromiseLine';
import { StrandNote } from './StrandNote';

type Piece = Schemas['PieceView'];

interface Props {
  piece: Piece;
  promise?: Schemas['PromiseView'];
  price?: Schemas['LinePrice'];
  /** Takes up an offered part; without it offers are named only. */
  onOffer?: (offer: Schemas['OfferView']) => void;
}

/** A worked-out piece: picture, size, strands, checks and what it should cost. */
export function PiecePanel({ piece, promise, price, onOffer }: Props) {
  const { t } = useTranslation();
  return (
    <Stack gap="sm">
      <PiecePicture
        picture={piece.picture}
        alt={t('piece.alt', {
          pattern: piece.patternName,
          colours: [...new Set(piece.strands.map((s) => s.articleName))].join(', '),
        })}
      />
      {price && <PriceLine price={price} />}
      {promise && <PromiseLine promise={promise} />}
      <Checks checks={piece.checks} onOffer={onOffer} />
      <Strands
        strands={piece.strands}
        hardware={piece.hardware}
        body={piece.fit.bodies.find((b) => b.within)}
      />
      <Fit fit={piece.fit} />
      <Cost estimate={piece.estimate} />
      <Time time={piece.time} />
      <Mind threading={piece.threading} cautions={piece.cautions} />
    </Stack>
  );
}

interface ChecksProps {
  checks: Piece['checks'];
  onOffer?: (offer: Schemas['OfferView']) => void;
}

const Checks = memo(function Checks({ checks, onOffer }: ChecksProps) {
  const { t } = useTranslation();
  const { units } = useUnits();
  return (
    <Stack gap={4}>
      {checks.map((check, i) => {
        const figures: Record<string, string> = { subject: check.subject };
        for (const [name, um] of Object.entries(check.lengthsUm)) {
          figures[name] = formatLength(
            um,
            units,
            ['hole', 'hole.tapered', 'bar', 'eye', 'grips', 'unequal', 'lot.measured'].includes(check.code)
              ? 'part'
              : ['stock', 'lot', 'lot.set'].includes(check.code)
                ? 'stock'
                : 'body',
          );
        }
        for (const [name, value] of Object.entries(check.numbers))
          figures[name] = String(Number(value.toFixed(2)));
        return (
          <Group key={`${check.code}/${check.subject}/${i}`} gap="xs" wrap="nowrap" align="flex-start">
            <Verdict word={check.verdict} />
            <div>
              <Text size="sm">
                {t(`check.${check.code}`, figures)}
                {check.verdict !== 'GOOD' && ` ${t(`check.${check.code}.remedy.${check.verdict}`, figures)}`}
              </Text>
              {onOffer && check.offers.length > 0 && <Offers offers={check.offers} onOffer={onOffer} />}
            </div>
          </Group>
        );
      })}
    </Stack>
  );
});

interface OffersProps {
  offers: Schemas['OfferView'][];
  onOffer: (offer: Schemas['OfferView']) => void;
}

function Offers({ offers, onOffer }: OffersProps) {
  const { t } = useTranslation();
  return (
    <Group gap={6} my={4}>
      {offers.map((offer) => (
        <Button
          key={offer.change + offer.value}
          size="compact-xs"
          variant="default"
          onClick={() => onOffer(offer)}
        >
          {offer.difference && (
            <span className={classes.chip} style={{ background: offer.difference.colour }} />
          )}
          {t(`check.offer.${offer.change}`, {
            name: offer.change === 'EASE' ? t(`ease.${offer.value}`) : offer.name,
            difference: offer.difference && differenceWords(t, offer.difference),
          })}
        </Button>
      ))}
    </Group>
  );
}

/** What it is sold for. */
function PriceLine({ price }: { price: Schemas['LinePrice'] }) {
  const { t } = useTranslation();
  return (
    <Group gap="xs">
      <Text size="sm">{t('price.sold')}</Text>
      <Money value={price.total} strong />
      {price.quantity > 1 && (
        <Text size="sm" c="dimmed">
          {price.quantity} × <Money value={price.each} />
        </Text>
      )}
    </Group>
  );
}

/** How an offered colour differs, as people say it: “hardly differs: a little lighter”. */
function differenceWords(t: TFunction, { degree, turns }: Schemas['DifferenceView']) {
  const how = turns.map((turn) => t(`colour.turn.${turn}`)).join(', ');
  return t(`colour.degree.${degree}`) + (how && `: ${how}`);
}

interface StrandsProps {
  strands: Piece['strands'];
  hardware: Piece['hardware'];
  /** The body that the piece's take-up is known from. */
  body: Piece['fit']['bodies'][number] | undefined;
}

const Strands = memo(function Strands({ strands, hardware, body }: StrandsProps) {
  const { t } = useTranslation();
  const longest = Math.max(...strands.map((s) => s.cutUm));
  return (
    <Table verticalSpacing={4} horizontalSpacing={6} layout="fixed">
      <Table.Thead>
        <Table.Tr>
          <Table.Th w="24%">{t('strand.role')}</Table.Th>
          <Table.Th>{t('strand.scale')}</Table.Th>
          <Table.Th className="right" w="21%">
            {t('strand.cut')}
          </Table.Th>
          <Table.Th className="right" w="19%">
            {t('strand.fold')}
          </Table.Th>
        </Table.Tr>
      </Table.Thead>
      <Table.Tbody>
        {strands.map((s) => (
          <Table.Tr key={s.role + s.number}>
            <Table.Td>
              <Text size="sm" fw={600}>
                {strandName(t, s.role, s.number)}
              </Text>
              <Text size="xs" c="dimmed" truncate>
                {s.articleName}
              </Text>
            </Table.Td>
            <Table.Td>
              <StrandBar
                code={s.articleCode}
                colour={s.colour}
                scaleUm={longest}
                foldUm={s.mark?.um}
                stretches={[
                  { um: s.usedUm, kind: 'used' },
                  { um: s.cutUm - s.usedUm, kind: 'tail' },
                ]}
              />
            </Table.Td>
            <Table.Td className="right">
              <Because
                title={t('strand.because', { role: strandName(t, s.role, s.number) })}
                um={s.cutUm}
                sum={s.sum}
                note={<StrandNote strand={s} body={body} />}
              />
            </Table.Td>
            <Table.Td className="right">
              <MarkOf mark={s.mark} />
            </Table.Td>
          </Table.Tr>
        ))}
        {hardware.map((h) => (
          <Table.Tr key={h.articleCode}>
            <Table.Td>
              <Text size="sm" fw={600}>
                {t(`hardware.${h.kind}`)}
              </Text>
            </Table.Td>
            <Table.Td>{h.articleName}</Table.Td>
            <Table.Td className="right">
              <span className="figure">{h.quantity} ×</span>
            </Table.Td>
            <Table.Td />
          </Table.Tr>
        ))}
      </Table.Tbody>
    </Table>
  );
});

/** How it comes out in size; each figure that is worked out opens into its sum. */
export const Fit = memo(function Fit({ fit }: { fit: Schemas['FitView'] }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const rows: [string, React.ReactNode][] = [
    [
      t('fit.target'),
      <Because key="t" title={t('fit.target')} um={fit.target.totalUm} sum={fit.target} kind="body" />,
    ],
    [
      t('fit.bodyRoom'),
      <Because key="b" title={t('fit.bodyRoom')} um={fit.room.totalUm} sum={fit.room} kind="body" />,
    ],
    ...fit.bodies.map((body, i): [string, React.ReactNode] => [
      t('fit.repeats', {
        stitch: stitchName(t, body.stitch),
        count: body.repeats,
        groups: body.groups.join(' + '),
      }),
      <Length key={`body${i}`} um={body.lengthUm} kind="body" />,
    ]),
    ...fit.bodies
      .filter((body) => Math.abs(body.pitchRatio - 1) >= 0.0005)
      .map((body, i): [string, React.ReactNode] => [
        t('fit.learned', { stitch: stitchName(t, body.stitch) }),
        <span key={`learned${i}`} className="figure">
          {change(body.pitchRatio)}
        </span>,
      ]),
    [
      t(fit.band ? 'fit.errorGap' : fit.errorUm < 0 ? 'fit.errorLonger' : 'fit.errorShorter'),
      <Length key="e" um={Math.abs(fit.errorUm)} kind="part" />,
    ],
    [
      t('fit.size'),
      <span key="s">
        <Length um={fit.thicknessUm} kind="part" /> × <Length um={fit.widthUm} kind="part" />
      </span>,
    ],
  ];
  if (fit.around > 0) rows.push([t('fit.around'), <span key="a">{fit.around}</span>]);
  if (fit.innerUm !== undefined) rows.push([t('fit.inner'), <Length key="i" um={fit.innerUm} kind="body" />]);
  if (fit.eye)
    rows.push([
      t('fit.eye', { stopper: formatLength(fit.eye.stopperUm, units, 'part') }),
      <Length key="eye" um={fit.eye.insideUm} kind="part" />,
    ]);
  if (fit.band) {
    rows.push(
      [t('fit.closed'), <Length key="c" um={fit.band.closedUm} kind="body" />],
      [t('fit.open'), <Length key="o" um={fit.band.openUm} kind="body" />],
      [
        t('fit.tail'),
        <Because
          key="x"
          title={t('fit.tailSum')}
          um={fit.band.tailUm}
          sum={fit.band.tailSum}
          kind="body"
          note={t('fit.tailNote')}
        />,
      ],
    );
  }
  return (
    <Group gap="lg" align="flex-start">
      {rows.map(([label, figure], i) => (
        <div key={i}>
          <Text size="xs" c="dimmed">
            {label}
          </Text>
          <Text size="sm">{figure}</Text>
        </div>
      ))}
    </Group>
  );
});

/** What must go on before the way is closed, and what to mind. */
const Mind = memo(function Mind({ threading, cautions }: Pick<Piece, 'threading' | 'cautions'>) {
  const { t } = useTranslation();
  return (
    <Group align="flex-start" grow gap="lg">
      {threading.length > 0 && (
        <div>
          <Text size="sm" fw={600}>
            {t('thread.title')}
          </Text>
          <List type="ordered" size="sm">
            {threading.map((step, i) => (
              <List.Item key={i}>
                {t(step.code, {
                  count: step.count,
                  part: partName(t, step.part),
                  roles: step.roles.map((r) => strandName(t, r)).join(', '),
                })}
              </List.Item>
            ))}
          </List>
        </div>
      )}
      <div>
        <Text size="sm" fw={600}>
          {t('caution.title')}
        </Text>
        <List size="sm">
          {cautions.map((caution) => (
            <List.Item key={caution}>{t(`caution.${caution}`)}</List.Item>
          ))}
          <List.Item>{t('caution.law')}</List.Item>
        </List>
      </div>
    </Group>
  );
});

const Cost = memo(function Cost({ estimate }: Pick<Piece, 'estimate'>) {
  const { t } = useTranslation();
  return (
    <Group gap="lg">
      <div>
        <Text size="xs" c="dimmed">
          {t('cost.estimate')}
        </Text>
        <Money value={estimate.total} strong />
      </div>
      {(['used', 'tails', 'hardware'] as const).map((part) => (
        <div key={part}>
          <Text size="xs" c="dimmed">
            {t(`cost.${part}`)}
          </Text>
          <Money value={estimate[part]} />
        </div>
      ))}
    </Group>
  );
});

const SECONDS = 60;

/** How long it should take, by what the hands do. */
const Time = memo(function Time({ time }: { time: Schemas['TimeView'] }) {
  const { t } = useTranslation();
  const minutes = (seconds: number) => t('patterns.minutes', { count: Math.round(seconds / SECONDS) });
  return (
    <Group gap="lg">
      <div>
        <Text size="xs" c="dimmed">
          {t('time.total')}
        </Text>
        <Text size="sm" fw={600}>
          {minutes(time.total)}
        </Text>
      </div>
      {(['prepare', 'body', 'closure', 'finish'] as const).map((part) => (
        <div key={part}>
          <Text size="xs" c="dimmed">
            {t(`time.${part}`)}
          </Text>
          <Text size="sm">{minutes(time[part])}</Text>
        </div>
      ))}
      {Math.abs(time.learned) >= SECONDS / 2 && (
        <div>
          <Text size="xs" c="dimmed">
            {t('time.learned')}
          </Text>
          <Text size="sm">
            {t(time.learned < 0 ? 'time.less' : 'time.more', { time: minutes(Math.abs(time.learned)) })}
          </Text>
        </div>
      )}
    </Group>
  );
});
