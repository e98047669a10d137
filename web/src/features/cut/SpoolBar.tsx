import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { strandName } from '../../shared/names';
import { RuledEdge } from '../../shared/RuledEdge';
import { StrandBar, type Stretch } from '../../shared/StrandBar';

interface Props {
  spool: Schemas['SpoolView'];
  scaleUm: number;
  /** The step that is next, when somebody is cutting. */
  current?: number | undefined;
}

/** A spool to scale under a ruler, with its cuts in order; what is cut already is told from what is to come. */
export function SpoolBar({ spool, scaleUm, current }: Props) {
  const { t } = useTranslation();
  const stretches: Stretch[] = spool.steps.map((s) => ({
    um: s.lengthUm,
    kind:
      s.kind === 'STRAND' ? (s.doneAt && current !== undefined ? 'tail' : 'used') : s.keep ? 'rest' : 'bin',
    current: s.id === current,
    label:
      s.kind !== 'STRAND'
        ? undefined
        : s.reference
          ? `${s.reference} ${strandName(t, s.role ?? '')}`
          : t('cut.givenUp'),
  }));
  return (
    <>
      <RuledEdge lengthUm={scaleUm} />
      <StrandBar
        code={spool.articleCode}
        colour={spool.colour}
        stretches={stretches}
        scaleUm={scaleUm}
        flawsUm={spool.flawsUm}
        height={26}
      />
    </>
  );
}
