import type { Schemas } from '../api/client';
import classes from './PiecePicture.module.css';
import { PullingNote } from './PullingNote';
import { RuledEdge } from './RuledEdge';

/** Only what would end or change the address is written in another way: a picture is long. */
export const asAddress = (svg: string) => svg.replaceAll('%', '%25').replaceAll('#', '%23');

/** The piece from its pattern's strands, drawn by the server, over a ruler that starts where the body starts. */
export function PiecePicture({ picture, alt }: { picture: Schemas['PictureView']; alt: string }) {
  const source = `data:image/svg+xml;utf8,${asAddress(picture.svg)}`;
  return (
    <figure className={classes.full}>
      {!picture.shortened && <RuledEdge lengthUm={picture.widthMm * 1000} zeroUm={picture.fromMm * 1000} />}
      <img
        src={source}
        alt={alt}
        width={picture.widthMm}
        height={picture.heightMm}
        style={{ aspectRatio: `${picture.widthMm} / ${picture.heightMm}` }}
      />
      <PullingNote pulling={picture.pulling} />
    </figure>
  );
}

/** A few repeats of the body, to tell pieces apart in a list. */
export function PieceChip({ lineId }: { lineId: number }) {
  return (
    <img
      className={classes.chip}
      src={`/api/orders/lines/${lineId}/chip.svg`}
      alt=""
      width={84}
      height={24}
    />
  );
}
