import { Alert, Button, Group, Text } from '@mantine/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useSession } from '../shared/session';

/** Tells whoever has a page open that another version of Restis answers now; what is typed is not thrown away by itself. */
export function NewerVersion() {
  const { t } = useTranslation();
  const { data: session } = useSession();
  const [first] = useState(session?.version);
  if (!first || !session?.version || session.version === first) return null;
  return (
    <Alert color="straw" variant="outline" role="status" mb="md" className="no-print">
      <Group justify="space-between" gap="sm">
        <Text size="sm">{t('newer.version')}</Text>
        <Button size="xs" onClick={() => window.location.reload()}>
          {t('broken.reload')}
        </Button>
      </Group>
    </Alert>
  );
}
