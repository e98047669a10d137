import { Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../api/client';
import { Length } from './Figures';

/** Where a strand is marked, what is there, and from which end. */
export function MarkOf({ mark }: { mark?: Schemas['StrandMark'] }) {
  const { t } = useTranslation();
  if (!mark) return '–';
  return (
    <>
      <Length um={mark.um} />
      <Text size="xs" c="dimmed">
        {t(`mark.${mark.kind}`)}
      </Text>
    </>
  );
}
