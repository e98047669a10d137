import { Button, Group, Stack, Textarea, TextInput } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { formatLength } from '../../shared/format';
import { LengthField } from '../../shared/LengthField';
import { ProblemNote } from '../../shared/ProblemNote';

interface Props {
  /** What is changed; a new one without it. */
  customer?: Schemas['CustomerView'];
  onKeep: (body: Schemas['CustomerDetails']) => void;
  onClose: () => void;
  keeping: boolean;
  error: unknown;
}

const SHOWN = ['name', 'address', 'email', 'language', 'wrist', 'hand'];

/** What is kept of a customer. */
export function CustomerForm({ customer, onKeep, onClose, keeping, error }: Props) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const length = (um?: number) => (um ? formatLength(um, units, 'body') : '');
  const [name, setName] = useState(customer?.name ?? '');
  const [email, setEmail] = useState(customer?.email ?? '');
  const [language, setLanguage] = useState(customer?.language ?? '');
  const [address, setAddress] = useState(customer?.address ?? '');
  const [wrist, setWrist] = useState(length(customer?.wristUm));
  const [hand, setHand] = useState(length(customer?.handUm));
  const problem = (field: string) => (error instanceof ProblemError ? error.field(field) : undefined);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onKeep({ name, address, email, language, wrist, hand, units, version: customer?.version ?? 0 });
  };
  return (
    <Stack component="form" onSubmit={submit} className="panel" p="md" gap="sm" maw={760}>
      <TextInput
        label={t('customers.name')}
        value={name}
        onChange={(e) => setName(e.currentTarget.value)}
        error={problem('name')}
        data-autofocus
      />
      <Group grow align="flex-start">
        <TextInput
          label={t('customers.email')}
          value={email}
          onChange={(e) => setEmail(e.currentTarget.value)}
          error={problem('email')}
        />
        <TextInput
          label={t('customers.language')}
          description={t('customers.languageHint')}
          inputWrapperOrder={['label', 'input', 'description', 'error']}
          value={language}
          onChange={(e) => setLanguage(e.currentTarget.value)}
          error={problem('language')}
        />
      </Group>
      <Textarea
        label={t('customers.address')}
        value={address}
        rows={3}
        onChange={(e) => setAddress(e.currentTarget.value)}
        error={problem('address')}
      />
      <Group grow align="flex-start">
        <LengthField
          label={t('customers.wrist')}
          value={wrist}
          onChange={setWrist}
          error={problem('wrist')}
        />
        <LengthField label={t('customers.hand')} value={hand} onChange={setHand} error={problem('hand')} />
      </Group>
      <ProblemNote error={error} shown={SHOWN} />
      <Group>
        <Button type="submit" loading={keeping}>
          {t('customers.keep')}
        </Button>
        <Button variant="default" onClick={onClose}>
          {t('customers.leave')}
        </Button>
      </Group>
    </Stack>
  );
}
