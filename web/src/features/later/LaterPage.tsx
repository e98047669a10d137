import { Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { Page } from '../../shared/Page';

/** Says plainly what will be here. */
export function LaterPage({ name }: { name: 'finished' }) {
  const { t } = useTranslation();
  return (
    <Page title={t(`nav.${name}`)}>
      <Text maw={680}>{t(`later.${name}`)}</Text>
    </Page>
  );
}
