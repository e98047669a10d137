import { Table, Text } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { Because } from '../../shared/Because';
import { Length } from '../../shared/Figures';
import { strandName } from '../../shared/names';
import { PiecePicture } from '../../shared/PiecePicture';
import { Fit } from '../../shared/piece/PiecePanel';
import { StrandBar } from '../../shared/StrandBar';
import { trialQuery } from './queries';

/** What is composed, as it would be made. */
export function Trial({ json }: { json: string }) {
  const { data } = useQuery(trialQuery(json));
  return data?.sample && <Sample sample={data.sample} />;
}

/** The pattern in its usual cords: picture, strands with their sums, size. */
function Sample({ sample }: { sample: Schemas['SamplePiece'] }) {
  const { t } = useTranslation();
  const longest = Math.max(...sample.strands.map((s) => s.cutUm));
  return (
    <>
      <PiecePicture picture={sample.picture} alt={t('editor.picture')} />
      <Table verticalSpacing={3} horizontalSpacing={6} layout="fixed">
        <Table.Tbody>
          {sample.strands.map((s) => (
            <Table.Tr key={s.role + s.number}>
              <Table.Td w="34%">
                <Text size="sm" truncate>
                  {strandName(t, s.role, s.number)}
                </Text>
              </Table.Td>
              <Table.Td>
                <StrandBar
                  code=""
                  colour={s.colour}
                  scaleUm={longest}
                  foldUm={s.mark?.um}
                  stretches={[
                    { um: s.usedUm, kind: 'used' },
                    { um: s.cutUm - s.usedUm, kind: 'tail' },
                  ]}
                />
              </Table.Td>
              <Table.Td className="right" w="26%">
                <Because
                  title={t('strand.because', { role: strandName(t, s.role, s.number) })}
                  um={s.cutUm}
                  sum={s.sum}
                />
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      <Fit fit={sample.fit} />
      <Text size="xs" c="dimmed">
        {t('editor.sampleNote')} <Length um={sample.fit.reachedUm} kind="body" />
      </Text>
    </>
  );
}
