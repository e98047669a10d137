import classes from './Swatch.module.css';

/** A dab of an article's colour, outlined so that pale ones show; its name always stands beside it. */
export function Swatch({ colour }: { colour: string }) {
  return <span className={classes.swatch} style={{ background: colour }} aria-hidden="true" />;
}
