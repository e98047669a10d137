import type { Units } from '../app/units';

const INCH = 25_400;
const GCD = (a: number, b: number): number => (b === 0 ? a : GCD(b, a % b));

/** Inches as people read them on a tape: whole, then a fraction in sixteenths, in lowest terms. */
function inches(um: number, round: (sixteenths: number) => number = Math.round): string {
  const sixteenths = round((um / INCH) * 16);
  const whole = Math.floor(sixteenths / 16);
  const rest = sixteenths % 16;
  if (rest === 0) return `${whole} in`;
  const divisor = GCD(rest, 16);
  const fraction = `${rest / divisor}/${16 / divisor}`;
  return whole === 0 ? `${fraction} in` : `${whole} ${fraction} in`;
}

/** How a length is meant: on a body, on a cord, a strand to cut (never shown shorter), a small part, or what lies in stock. */
export type LengthKind = 'body' | 'cord' | 'cut' | 'part' | 'stock';

const upToSixteenth = (sixteenths: number) => Math.ceil(sixteenths - 1e-6);

/** Prints a length, given in micrometres, in the user's units. */
export function formatLength(um: number, units: Units, kind: LengthKind = 'cord'): string {
  if (um < 0) return `-${formatLength(-um, units, kind)}`;
  if (units === 'METRIC') {
    if (kind === 'body') return `${trim(um / 10_000, 1)} cm`;
    if (kind === 'part') return `${trim(um / 1000, um < 100_000 ? 2 : 1)} mm`;
    if (kind === 'stock') return `${(um / 1_000_000).toFixed(2)} m`;
    const shown = kind === 'cut' ? Math.ceil : Math.round;
    return um >= 10_000_000
      ? `${(shown(um / 10_000) / 100).toFixed(2)} m`
      : `${trim(shown(um / 100) / 10, 1)} mm`;
  }
  if (kind === 'part' && um < INCH) return `${trim(um / INCH, 3)} in`;
  if (kind === 'stock') return `${(um / INCH / 12).toFixed(1)} ft`;
  const round = kind === 'cut' ? upToSixteenth : Math.round;
  if (um >= 36 * INCH && (kind === 'cord' || kind === 'cut')) {
    const feet = Math.floor(um / (12 * INCH));
    const rest = inches(um - feet * 12 * INCH, round);
    if (rest === '12 in') return `${feet + 1} ft`;
    return rest === '0 in' ? `${feet} ft` : `${feet} ft ${rest}`;
  }
  return inches(um, round);
}

function trim(value: number, digits: number): string {
  return String(Number(value.toFixed(digits)));
}

/** A price given by the metre, by the unit that stock is read in: the metre or the foot. */
export function pricePerStockUnit(perMetre: number, units: Units): number {
  return units === 'METRIC' ? perMetre : (perMetre * 12 * INCH) / 1_000_000;
}

export function formatMoney(value: number, currency: string): string {
  return new Intl.NumberFormat('en', { style: 'currency', currency, maximumFractionDigits: 2 }).format(value);
}

const HALF_A_YEAR_MS = 183 * 24 * 3_600_000;

/** A day as people say it; with its year where it could be taken for another. */
export function formatDay(day: string): string {
  const date = new Date(`${day}T00:00`);
  const far = Math.abs(date.getTime() - Date.now()) > HALF_A_YEAR_MS;
  return date.toLocaleDateString('en', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: far ? 'numeric' : undefined,
  });
}

/** A month, as 2026-12, as people say it. */
export function formatMonth(month: string): string {
  return new Date(`${month}-01T00:00`).toLocaleDateString('en', { month: 'long', year: 'numeric' });
}

let houseZone: string | undefined;

/** From now on moments are shown in the house's time, wherever the browser is. */
export function showTimesIn(zone: string) {
  houseZone = zone;
}

export function formatTime(instant: string): string {
  return new Date(instant).toLocaleString('en', {
    dateStyle: 'medium',
    timeStyle: 'short',
    timeZone: houseZone,
  });
}

/** A factor as the change that it makes. */
export function change(factor: number): string {
  const percent = (factor - 1) * 100;
  const rounded = Math.round(percent * 10) / 10;
  return `${rounded > 0 ? '+' : rounded < 0 ? '−' : '±'}${Math.abs(rounded).toFixed(1)} %`;
}
