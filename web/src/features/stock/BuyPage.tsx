import { Button, Group, NativeSelect, NumberInput, Text } from '@mantine/core';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { More } from '../../shared/More';
import { Await, Empty, Page } from '../../shared/Page';
import { BuyRow, Suggested } from './BuyList';
import { Bought } from './Purchases';
import { buyQuery, purchasesQuery, suppliersQuery } from './queries';
import { SupplierList } from './Suppliers';
import classes from './Supplies.module.css';

const LEVELS = [
  'NINE_IN_TEN',
  'NINETEEN_IN_TWENTY',
  'FORTY_NINE_IN_FIFTY',
  'NINETY_NINE_IN_A_HUNDRED',
] as const;

/** What should be bought, what was, and from whom. */
export default function BuyPage() {
  const { t } = useTranslation();
  const [address, setAddress] = useSearchParams();
  const filter = {
    level: LEVELS.find((l) => l === address.get('level')) ?? 'NINETEEN_IN_TWENTY',
    review: Number(address.get('review') ?? 7) || 0,
  };
  const buy = useInfiniteQuery(buyQuery(filter));
  const suppliers = useQuery(suppliersQuery);
  const purchases = useQuery(purchasesQuery);
  const set = (name: string, value: string) => {
    const next = new URLSearchParams(address);
    next.set(name, value);
    setAddress(next, { replace: true });
  };
  return (
    <Page
      title={t('buy.title')}
      actions={
        <Button component={Link} to="/stock" variant="default">
          {t('receive.wall')}
        </Button>
      }
    >
      <Group align="flex-end" gap="md">
        <NativeSelect
          label={t('buy.level')}
          data={LEVELS.map((l) => ({ value: l, label: t(`buy.level.${l}`) }))}
          value={filter.level}
          onChange={(e) => set('level', e.currentTarget.value)}
        />
        <NumberInput
          w={190}
          label={t('buy.review')}
          min={0}
          max={90}
          allowDecimal={false}
          value={filter.review}
          onChange={(days) => set('review', String(days))}
        />
      </Group>
      {/* Together, so that nothing that comes later pushes what is read already. */}
      <Await query={purchases}>
        {(bought) => (
          <Await query={suppliers}>
            {(from) => (
              <Await query={buy}>
                {({ pages }) => {
                  const lines = pages.flatMap((p) => p.rows);
                  const all = pages[0] as Schemas['BuyPage'];
                  const lacking = lines.filter((l) => (l.offers[0]?.needed ?? 0) > 0);
                  const fine = lines.filter((l) => !lacking.includes(l));
                  return (
                    <>
                      {lines.length === 0 ? (
                        <Empty words={t('stock.none')}>
                          <Button component={Link} to="/stock">
                            {t('receive.wall')}
                          </Button>
                        </Empty>
                      ) : lacking.length === 0 ? (
                        <Text className="panel" p="md">
                          {t('buy.enough')}
                        </Text>
                      ) : (
                        <>
                          <Suggested lines={lacking} />
                          {lacking.length < all.lacking && (
                            <>
                              <Text ta="center" size="sm" c="dimmed">
                                {t('buy.shown', { shown: lacking.length, count: all.lacking })}
                              </Text>
                              <More query={buy} />
                            </>
                          )}
                        </>
                      )}
                      <Bought purchases={bought} />
                      <SupplierList suppliers={from} />
                      {all.enough > 0 && lacking.length === all.lacking && (
                        <details className={`panel ${classes.enough}`}>
                          <summary>{t('buy.fine', { count: all.enough })}</summary>
                          {fine.map((l) => (
                            <BuyRow key={l.articleId} line={l} />
                          ))}
                          <More query={buy} />
                        </details>
                      )}
                    </>
                  );
                }}
              </Await>
            )}
          </Await>
        )}
      </Await>
    </Page>
  );
}
