import { Group, Stack, Table, Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Because } from '../../shared/Because';
import { Length, Money } from '../../shared/Figures';
import { formatLength } from '../../shared/format';
import { PiecePicture } from '../../shared/PiecePicture';
import { StrandBar } from '../../shared/StrandBar';
import { Verdict } from '../../shared/Verdict';

type Piece = Schemas['PieceView'];

/** A worked-out piece: picture, size, strands, checks and what it should cost. */
export function PiecePanel({ piece }: { piece: Piece }) {
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
      <Checks piece={piece} />
      <Strands piece={piece} />
      <Fit piece={piece} />
      <Cost piece={piece} />
    </Stack>
  );
}

function Checks({ piece }: { piece: Piece }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  return (
    <Stack gap={4}>
      {piece.checks.map((check) => {
        const figures: Record<string, string> = { subject: check.subject };
        for (const [name, um] of Object.entries(check.lengthsUm)) {
          figures[name] = formatLength(
            um,
            units,
            check.code === 'hole' ? 'part' : check.code === 'stock' ? 'stock' : 'body',
          );
        }
        for (const [name, value] of Object.entries(check.numbers))
          figures[name] = String(Number(value.toFixed(2)));
        return (
          <Group key={check.code + check.subject} gap="xs" wrap="nowrap" align="flex-start">
            <Verdict word={check.verdict} />
            <Text size="sm">
              {t(`check.${check.code}`, figures)}
              {check.verdict !== 'GOOD' && ` ${t(`check.${check.code}.remedy.${check.verdict}`, figures)}`}
            </Text>
          </Group>
        );
      })}
    </Stack>
  );
}

function Strands({ piece }: { piece: Piece }) {
  const { t } = useTranslation();
  const longest = Math.max(...piece.strands.map((s) => s.cutUm));
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
        {piece.strands.map((s) => (
          <Table.Tr key={s.role + s.number}>
            <Table.Td>
              <Text size="sm" fw={600}>
                {t(`role.strand.${s.role}`, { number: s.number })}
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
                foldUm={s.foldUm}
                stretches={[
                  { um: s.usedUm, kind: 'used' },
                  { um: s.cutUm - s.usedUm, kind: 'tail' },
                ]}
              />
            </Table.Td>
            <Table.Td className="right">
              <Because
                title={t('strand.because', { role: t(`role.strand.${s.role}`, { number: s.number }) })}
                um={s.cutUm}
                sum={s.sum}
                note={t('strand.note', { one: Math.round(1 / s.risk) })}
              />
            </Table.Td>
            <Table.Td className="right">{s.foldUm === undefined ? '–' : <Length um={s.foldUm} />}</Table.Td>
          </Table.Tr>
        ))}
        {piece.hardware.map((h) => (
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
}

function Fit({ piece }: { piece: Piece }) {
  const { t } = useTranslation();
  const { fit } = piece;
  const rows: [string, React.ReactNode][] = [
    [
      t('fit.target'),
      <Because key="t" title={t('fit.target')} um={fit.target.totalUm} sum={fit.target} kind="body" />,
    ],
    [
      t('fit.bodyRoom'),
      <Because key="b" title={t('fit.bodyRoom')} um={fit.body.totalUm} sum={fit.body} kind="body" />,
    ],
    [
      t('fit.repeats', { count: fit.repeats, groups: fit.groups.join(' + ') }),
      <Length key="r" um={fit.bodyUm} kind="body" />,
    ],
    [
      t(fit.band ? 'fit.errorGap' : fit.errorUm < 0 ? 'fit.errorLonger' : 'fit.errorShorter'),
      <Length key="e" um={Math.abs(fit.errorUm)} kind="part" />,
    ],
  ];
  if (fit.band) {
    rows.push(
      [t('fit.closed'), <Length key="c" um={fit.band.closedUm} kind="body" />],
      [t('fit.open'), <Length key="o" um={fit.band.openUm} kind="body" />],
      [
        t('fit.tail'),
        <Because
          key="x"
          title={t('fit.tailTwice')}
          um={fit.band.tailUm}
          sum={fit.band.tailTwice}
          kind="body"
          note={t('fit.tailNote')}
        />,
      ],
    );
  }
  return (
    <Group gap="lg" align="flex-start">
      {rows.map(([label, figure]) => (
        <div key={label}>
          <Text size="xs" c="dimmed">
            {label}
          </Text>
          <Text size="sm">{figure}</Text>
        </div>
      ))}
    </Group>
  );
}

function Cost({ piece }: { piece: Piece }) {
  const { t } = useTranslation();
  const { estimate } = piece;
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
}
