import { Button, Group, Stack, Text, Textarea, TextInput, Title } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { formatTime } from '../../shared/format';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { draftQuery, type FinishedOrder, type LetterKind, usePutLetter } from './queries';

const KINDS: LetterKind[] = ['READY', 'SENT', 'LATER', 'QUOTE'];

/** What is written to the customer: it is shown, changed, and put in the outbox by whoever reads it. */
export function Letters({ order }: { order: FinishedOrder }) {
  const { t } = useTranslation();
  const [kind, setKind] = useState<LetterKind>();
  return (
    <Stack component="section" className="panel" p="md" gap="xs" aria-label={t('letter.title')}>
      <Title order={2} size="h4">
        {t('letter.title')}
      </Title>
      {kind === undefined ? (
        <Group gap="xs">
          {KINDS.map((k) => (
            <Button key={k} size="compact-sm" variant="default" onClick={() => setKind(k)}>
              {t(`letter.kind.${k}`)}
            </Button>
          ))}
        </Group>
      ) : (
        <Draft key={kind} order={order} kind={kind} onClose={() => setKind(undefined)} />
      )}
      {order.letters.map((letter) => (
        <details key={letter.id}>
          <summary>
            <Text span size="sm">
              {t(letter.handedOverAt ? 'letter.went' : 'letter.waits', {
                subject: letter.subject,
                who: letter.putBy,
                when: formatTime(letter.putAt),
              })}
            </Text>
          </summary>
          <Text size="sm" c="dimmed">
            {letter.recipient}
          </Text>
          <Text size="sm" style={{ whiteSpace: 'pre-wrap' }}>
            {letter.body}
          </Text>
        </details>
      ))}
    </Stack>
  );
}

interface DraftProps {
  order: FinishedOrder;
  kind: LetterKind;
  onClose: () => void;
}

function Draft({ order, kind, onClose }: DraftProps) {
  const draft = useQuery(draftQuery(order.order, kind));
  return (
    <Await query={draft}>
      {(d) => <Fields order={order.order} kind={kind} draft={d} onClose={onClose} />}
    </Await>
  );
}

interface FieldsProps {
  order: number;
  kind: LetterKind;
  draft: Schemas['LetterDraft'];
  onClose: () => void;
}

function Fields({ order, kind, draft, onClose }: FieldsProps) {
  const { t } = useTranslation();
  const put = usePutLetter(order);
  const [recipient, setRecipient] = useState(draft.recipient);
  const [subject, setSubject] = useState(draft.subject);
  const [body, setBody] = useState(draft.body);
  const problem = (field: string) => (put.error instanceof ProblemError ? put.error.field(field) : undefined);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    put.mutate(
      { kind, recipient, subject, body, before: draft.before },
      {
        onSuccess: () => {
          notifications.show({ message: t('letter.put'), color: 'board' });
          onClose();
        },
      },
    );
  };
  return (
    <Stack component="form" onSubmit={submit} gap="xs">
      <TextInput
        label={t('letter.recipient')}
        type="text"
        value={recipient}
        maxLength={200}
        onChange={(e) => setRecipient(e.currentTarget.value)}
        error={problem('recipient')}
      />
      <TextInput
        label={t('letter.subject')}
        value={subject}
        maxLength={200}
        onChange={(e) => setSubject(e.currentTarget.value)}
        error={problem('subject')}
      />
      <Textarea
        label={t('letter.body')}
        autosize
        minRows={5}
        maxRows={16}
        value={body}
        maxLength={20000}
        onChange={(e) => setBody(e.currentTarget.value)}
        error={problem('body')}
      />
      <ProblemNote error={put.error} shown={['recipient', 'subject', 'body']} />
      <Group gap="xs">
        <Button type="submit" loading={put.isPending}>
          {t('letter.do')}
        </Button>
        <Button variant="default" onClick={onClose}>
          {t('line.leave')}
        </Button>
      </Group>
    </Stack>
  );
}
