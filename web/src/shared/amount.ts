import { useTranslation } from 'react-i18next';
import type { Schemas } from '../api/client';
import { type Units, useUnits } from '../app/units';
import { formatLength, pricePerStockUnit } from './format';

export type Unit = Schemas['Article']['unit'];

/** How many of what the books count make one millilitre or gram. */
const PARTS = 1000;

const decimal = (quantity: number) => String(Number((quantity / PARTS).toFixed(3)));

/** Prints what the books count of an article, by its unit. */
export function useAmount() {
  const { t } = useTranslation();
  const { units } = useUnits();
  return (quantity: number, unit: Unit) => {
    if (unit === 'METRE') return formatLength(quantity, units, 'stock');
    if (unit === 'PIECE') return t('article.pieces', { count: quantity });
    return t(`unit.${unit}`, { amount: decimal(quantity) });
  };
}

/** An amount as it may be typed again. */
export function typedAmount(quantity: number, unit: Unit, units: Units): string {
  if (unit === 'METRE') return formatLength(quantity, units, 'stock');
  if (unit === 'PIECE') return String(quantity);
  return `${decimal(quantity)} ${unit === 'GRAM' ? 'g' : 'ml'}`;
}

/** What one of an article costs and what that one is: a metre or a foot, a piece, a millilitre, a gram. */
export function usePrice() {
  const { t } = useTranslation();
  const { units } = useUnits();
  return ({ unitPrice, unit }: Pick<Schemas['Article'], 'unitPrice' | 'unit'>) => ({
    value: unit === 'METRE' ? pricePerStockUnit(unitPrice, units) : unitPrice,
    per:
      unit === 'METRE'
        ? t(`stock.per.${units}`)
        : unit === 'PIECE'
          ? t('stock.each')
          : t(`stock.per.${unit}`),
  });
}
