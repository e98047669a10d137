import { Button, Group, NumberInput, Select, Stack, Text, TextInput, Title } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { LengthField } from '../../shared/LengthField';
import { ProblemNote } from '../../shared/ProblemNote';
import { useSession } from '../../shared/session';
import { useKeepSwatch } from './queries';

export function SwatchForm({ view }: { view: Schemas['SwatchesView'] }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const { data: session } = useSession();
  const keep = useKeepSwatch();
  const [stitch, setStitch] = useState('square-knot');
  const [material, setMaterial] = useState('polyester');
  const [maker, setMaker] = useState(session?.name ?? '');
  const [working, setWorking] = useState('2 mm');
  const [core, setCore] = useState('2 mm');
  const [cores, setCores] = useState(2);
  const [repeats, setRepeats] = useState(20);
  const [body, setBody] = useState('');
  const [used, setUsed] = useState('');
  const chosen = view.stitches.find((s) => s.code === stitch);
  const cored = (chosen?.mostCores ?? 0) > 0;
  const problem = (field: string) =>
    keep.error instanceof ProblemError ? keep.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(
      {
        stitch,
        material,
        maker,
        working,
        core: cored ? core : undefined,
        cores: cored ? cores : 0,
        repeats,
        body,
        used,
        units,
      },
      {
        onSuccess: () => {
          notifications.show({ message: t('measures.kept'), color: 'board' });
          setBody('');
          setUsed('');
        },
      },
    );
  };
  return (
    <Stack component="form" onSubmit={submit} className="panel" p="md" gap="sm">
      <Title order={2} size="h4">
        {t('measures.newSwatch')}
      </Title>
      <Text size="sm" c="dimmed">
        {t('measures.swatchHint')}
      </Text>
      <Group grow align="flex-start">
        <Select
          label={t('measures.stitch')}
          searchable
          allowDeselect={false}
          value={stitch}
          data={view.stitches.map((s) => ({ value: s.code, label: t(`stitch.${s.code}`) }))}
          onChange={(v) => v && setStitch(v)}
          error={problem('stitch')}
        />
        <Select
          label={t('articleForm.material')}
          allowDeselect={false}
          value={material}
          data={view.materials.map((m) => ({ value: m.code, label: m.name }))}
          onChange={(v) => v && setMaterial(v)}
          error={problem('material')}
        />
      </Group>
      <Group grow align="flex-start">
        <LengthField
          label={t('measures.working')}
          value={working}
          onChange={setWorking}
          error={problem('working')}
        />
        {cored && (
          <LengthField label={t('measures.core')} value={core} onChange={setCore} error={problem('core')} />
        )}
        {cored && (
          <NumberInput
            label={t('measures.cores')}
            min={chosen?.leastCores ?? 1}
            max={chosen?.mostCores ?? 8}
            value={cores}
            onChange={(n) => setCores(Number(n) || 0)}
            error={problem('cores')}
          />
        )}
      </Group>
      <Group grow align="flex-start">
        <TextInput
          label={t('measures.maker')}
          value={maker}
          onChange={(e) => setMaker(e.currentTarget.value)}
          error={problem('maker')}
        />
        <NumberInput
          label={t('measures.repeatsTied')}
          value={repeats}
          clampBehavior="none"
          onChange={(n) => setRepeats(Number(n) || 0)}
          error={problem('repeats')}
        />
      </Group>
      <Group grow align="flex-start">
        <LengthField label={t('measures.body')} value={body} onChange={setBody} error={problem('body')} />
        <LengthField label={t('measures.used')} value={used} onChange={setUsed} error={problem('used')} />
      </Group>
      <ProblemNote
        error={keep.error}
        shown={['stitch', 'material', 'maker', 'working', 'core', 'cores', 'repeats', 'body', 'used']}
      />
      <Button type="submit" loading={keep.isPending}>
        {t('measures.keep')}
      </Button>
    </Stack>
  );
}
