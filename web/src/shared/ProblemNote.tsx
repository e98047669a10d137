import { Alert, List, Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { ProblemError } from '../api/client';

/** The row of a file that a field stands in; a file is mended by its rows. */
const rowOf = (field: string) => /^rows\[(\d+)\]/.exec(field)?.[1];

/** What went wrong, what it means, what to do. Fields named in {@link shown} already stand beside their inputs. */
export function ProblemNote({ error, shown = [] }: { error: unknown; shown?: string[] }) {
  const { t } = useTranslation();
  if (!error) return null;
  if (!(error instanceof ProblemError)) {
    return (
      <Alert color="coral" variant="outline" title={t('problem.unexpected')} role="alert">
        {t('problem.reload')}
      </Alert>
    );
  }
  const fields = (error.problem.fields ?? []).filter((f) => !shown.includes(f.field));
  return (
    <Alert color="coral" variant="outline" title={error.problem.title} role="alert">
      {error.problem.detail}
      {error.problem.code === 'unexpected' && error.problem.request && (
        <Text size="sm">{t('problem.number', { number: error.problem.request })}</Text>
      )}
      {fields.length > 0 && (
        <List size="sm" mt={4}>
          {fields.map((f) => (
            <List.Item key={f.field + f.code}>
              {rowOf(f.field) && t('problem.row', { row: rowOf(f.field) })} {f.message} {f.remedy}
            </List.Item>
          ))}
        </List>
      )}
    </Alert>
  );
}
