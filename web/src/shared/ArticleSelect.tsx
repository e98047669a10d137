import { Group, Select, Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../api/client';
import { useAmount } from './amount';
import { Swatch } from './Swatch';

interface Props {
  label: string;
  kind: Schemas['Article']['kind'];
  articles: Schemas['Article'][];
  value: string | undefined;
  onChange: (code: string | undefined) => void;
  error?: string;
  clearable?: boolean;
  /** Cords of this gauge come before others. */
  gaugeUm?: number;
}

/** Chooses an article by its colour and name; what is in stock comes first. */
export function ArticleSelect({
  label,
  kind,
  articles,
  value,
  onChange,
  error,
  clearable = false,
  gaugeUm,
}: Props) {
  const { t } = useTranslation();
  const amount = useAmount();
  const offered = articles
    .filter((a) => a.kind === kind)
    .sort(
      (a, b) =>
        Number(b.diameterUm === gaugeUm) - Number(a.diameterUm === gaugeUm) ||
        Number(b.onHand > 0) - Number(a.onHand > 0),
    );
  const byCode = new Map(offered.map((a) => [a.code, a]));
  const onHand = (a: Schemas['Article']) => amount(a.onHand, a.unit);
  return (
    <Select
      label={label}
      searchable
      clearable={clearable}
      allowDeselect={clearable}
      data={offered.map((a) => ({ value: a.code, label: `${a.name} (${a.code})` }))}
      value={value ?? null}
      onChange={(code) => onChange(code ?? undefined)}
      error={error}
      leftSection={
        value && byCode.has(value) ? <Swatch colour={byCode.get(value)?.colour ?? ''} /> : undefined
      }
      nothingFoundMessage={t('article.none')}
      renderOption={({ option }) => {
        const article = byCode.get(option.value);
        return article ? (
          <Group gap="xs" wrap="nowrap">
            <Swatch colour={article.colour} />
            <div>
              <Text size="sm">{option.label}</Text>
              <Text size="xs" c="dimmed">
                {t('article.onHand', { amount: onHand(article) })}
              </Text>
            </div>
          </Group>
        ) : (
          option.label
        );
      }}
    />
  );
}
