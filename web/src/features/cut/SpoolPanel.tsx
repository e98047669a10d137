import { Group, SegmentedControl, Table, Text, Title } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Length } from '../../shared/Figures';
import { formatLength } from '../../shared/format';
import { MarkOf } from '../../shared/MarkOf';
import { strandName } from '../../shared/names';
import { ProblemNote } from '../../shared/ProblemNote';
import { Swatch } from '../../shared/Swatch';
import { equalCuts } from './equalCuts';
import { useKeep } from './queries';
import { SpoolBar } from './SpoolBar';
import { PinMenu, SpoolMenu } from './SpoolMenu';
import classes from './SpoolPanel.module.css';

interface Props {
  spool: Schemas['SpoolView'];
  scaleUm: number;
  list: Schemas['CutListView'];
  open: boolean;
}

/** One spool of a cut list: its bar to scale with the cuts in order, and the cuts in words. */
export function SpoolPanel({ spool, scaleUm, list, open }: Props) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const keep = useKeep(list.id);
  return (
    <section className={`panel ${classes.spool}`} aria-label={`${spool.label} ${spool.articleName}`}>
      <Group justify="space-between" gap="xs" px="sm" pt="sm">
        <Group gap="xs">
          <Swatch colour={spool.colour} />
          <Title order={2} size="h4">
            {t(`holding.${spool.kind}`)} {spool.label} · {spool.articleName}
          </Title>
          <Text size="sm" c="dimmed">
            {t('cut.where', { shelf: spool.shelf || '–', lot: spool.lot })}
          </Text>
        </Group>
        <Group gap="sm">
          {spool.inHandOf && <Text size="sm">{t('cut.inHand', { who: spool.inHandOf })}</Text>}
          <Length um={spool.lengthUm} kind="stock" />
          {open && <SpoolMenu list={list} spool={spool} />}
        </Group>
      </Group>
      <div className={classes.scale}>
        <SpoolBar spool={spool} scaleUm={scaleUm} />
      </div>
      <Table verticalSpacing={3} fz="sm" className={classes.cuts}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th className="right">{t('cut.count')}</Table.Th>
            <Table.Th className="right">{t('strand.cut')}</Table.Th>
            <Table.Th className="right">{t('strand.fold')}</Table.Th>
            <Table.Th>{t('cut.for')}</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {equalCuts(spool.steps).map((cut) => {
            const first = cut.steps[0];
            return (
              <Table.Tr key={first.id}>
                <Table.Td className="right">
                  <span className="figure">{cut.steps.length} ×</span>
                </Table.Td>
                <Table.Td className="right">
                  <b>
                    <Length um={first.lengthUm} kind={first.kind === 'STRAND' ? 'cut' : 'cord'} />
                  </b>
                </Table.Td>
                <Table.Td className="right">
                  <MarkOf mark={first.mark} />
                </Table.Td>
                <Table.Td>
                  {first.kind === 'STRAND' ? (
                    <Group gap="xs" justify="space-between" wrap="nowrap">
                      <div>
                        <For cut={cut.steps} />
                      </div>
                      {open && <PinMenu list={list} spool={spool} steps={cut.steps} />}
                    </Group>
                  ) : (
                    <Group gap="xs">
                      <Text size="sm">{t(`leftover.${first.kind}`)}</Text>
                      {open && !first.doneAt ? (
                        <SegmentedControl
                          size="xs"
                          className="no-print"
                          aria-label={t('cut.leftoverOf', {
                            spool: spool.label,
                            length: formatLength(first.lengthUm, units),
                          })}
                          value={first.keep ? 'keep' : 'bin'}
                          onChange={(v) => keep.mutate({ step: first.id, keep: v === 'keep' })}
                          data={[
                            { value: 'keep', label: t('leftover.keep') },
                            { value: 'bin', label: t('leftover.bin') },
                          ]}
                        />
                      ) : null}
                      <Text size="sm" fw={600} className={open && !first.doneAt ? 'print-only' : undefined}>
                        {t(first.keep ? 'leftover.keep' : 'leftover.bin')}
                      </Text>
                    </Group>
                  )}
                </Table.Td>
              </Table.Tr>
            );
          })}
        </Table.Tbody>
      </Table>
      <ProblemNote error={keep.error} />
    </section>
  );
}

function For({ cut }: { cut: Schemas['StepView'][] }) {
  const { t } = useTranslation();
  const first = cut[0];
  if (!first?.reference) return <i>{t('cut.givenUp')}</i>;
  const done = cut.filter((s) => s.doneAt);
  const pieces = [...new Set(cut.map((s) => t('cut.piece', { reference: s.reference, piece: s.pieceId })))];
  return (
    <>
      <b>{strandName(t, first.role ?? '')}</b> · {pieces.join(', ')}
      {done.length > 0 && (
        <Text size="xs" c="dimmed">
          {t('cut.doneBy', {
            count: done.length,
            of: cut.length,
            who: [...new Set(done.map((s) => s.doneBy))].join(', '),
          })}
        </Text>
      )}
    </>
  );
}
