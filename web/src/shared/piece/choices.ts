import type { Schemas } from '../../api/client';

export type Choices = Omit<Schemas['PieceChoices'], 'units'>;

/** Changes choices; what follows from those there are is reckoned in the moment of the change. */
export type SetChoices = (change: Partial<Choices> | ((before: Choices) => Partial<Choices>)) => void;

/** Whether a cord is of the material that a piece is made of, or for others of none of the special ones. */
const suits = (article: Schemas['Article'], special: string | undefined) =>
  special === undefined
    ? !['elastic', 'leather'].includes(article.material ?? '')
    : article.material === special;

/** Sensible choices for a pattern; what was chosen before is kept where it fits. */
export function firstChoices(
  pattern: Schemas['PatternView'],
  articles: Schemas['Article'][],
  before?: Choices,
): Choices {
  // Elastic and leather only serve the pieces that are made of them.
  const special = { ELASTIC: 'elastic', SLIDE_BEAD: 'leather' }[pattern.closure as string];
  const cords = articles
    .filter((a) => a.kind === 'CORD')
    .sort((a, b) => Number(suits(b, special)) - Number(suits(a, special)) || b.onHand - a.onHand);
  const band = pattern.kind === 'BRACELET';
  return {
    pattern: pattern.code,
    size: band ? (before?.size ?? (before?.wrist ? undefined : pattern.usualSize)) : undefined,
    wrist: before?.wrist,
    hand: before?.hand,
    ease: before?.ease ?? 'COMFORTABLE',
    length: band ? before?.length : `${pattern.usualLengthUm / 1000} mm`,
    colours: pattern.cords.map((cord, i) => {
      const suited = cords.filter((a) => suits(a, special));
      const from = suited.length > 0 ? suited : cords;
      const off = (a: Schemas['Article']) => Math.abs((a.diameterUm ?? 0) - cord.gaugeUm);
      const nearest = Math.min(...from.map(off));
      const offered = from.filter((a) => off(a) === nearest);
      const kept = before?.colours[i];
      return kept && offered.some((a) => a.code === kept) ? kept : (offered[i % offered.length]?.code ?? '');
    }),
    parts: Object.fromEntries(
      pattern.parts.flatMap((part) => {
        const kept = before?.parts?.[part.code];
        const first = articles.find((a) => a.kind === part.kind && a.onHand > 0);
        if (kept && articles.some((a) => a.code === kept.article && a.kind === part.kind))
          return [[part.code, kept]];
        return part.optional || !first ? [] : [[part.code, { article: first.code }]];
      }),
    ),
    kit: before?.kit ?? false,
    wearer: before?.wearer ?? 'ADULT',
    tapered: before?.tapered ?? false,
  };
}

/** The choices with another part in a slot, or none. */
export function withPart(
  choices: Choices,
  slot: string,
  chosen: Schemas['PartChoice'] | undefined,
): Partial<Choices> {
  const { [slot]: _, ...rest } = choices.parts ?? {};
  return { parts: chosen ? { ...rest, [slot]: chosen } : rest };
}

/** The choices with an offered change taken up. */
export function withOffer(
  choices: Choices,
  offer: Schemas['OfferView'],
  patterns: Schemas['PatternView'][],
  articles: Schemas['Article'][],
): Choices {
  switch (offer.change) {
    case 'PART':
      return {
        ...choices,
        ...withPart(choices, offer.slot, { ...choices.parts?.[offer.slot], article: offer.value }),
      };
    case 'EASE':
      return { ...choices, ease: offer.value };
    case 'COLOUR':
      return { ...choices, colours: choices.colours.map((c) => (c === offer.slot ? offer.value : c)) };
    case 'TAPER':
      return { ...choices, tapered: true };
    case 'PATTERN': {
      const other = patterns.find((p) => p.code === offer.value);
      return other ? firstChoices(other, articles, choices) : choices;
    }
  }
}
