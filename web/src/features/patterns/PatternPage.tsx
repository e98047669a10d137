import { Button, Grid, Group, Stack, Text } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useParams } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { articlesQuery } from '../../shared/articles';
import { stitchName } from '../../shared/names';
import { Await, Empty, Page } from '../../shared/Page';
import { ChoiceFields } from '../../shared/piece/ChoiceFields';
import { firstChoices, withOffer } from '../../shared/piece/choices';
import { LivePiece, useLiveChoices } from '../../shared/piece/LivePiece';
import { patternsQuery } from '../../shared/piece/queries';
import { useWithdraw } from './queries';
import { Versions } from './Versions';

/** A pattern, worked out live for any size, colours and parts. */
export default function PatternPage() {
  const { t } = useTranslation();
  const { code } = useParams();
  const patterns = useQuery(patternsQuery);
  const articles = useQuery(articlesQuery);
  return (
    <Await query={patterns}>
      {(all) => {
        const pattern = all.find((p) => p.code === code);
        return pattern ? (
          <Page title={pattern.name} actions={<Actions pattern={pattern} />}>
            <Await query={articles}>
              {(a) => (
                <Live
                  key={`${pattern.code}/${pattern.version}`}
                  pattern={pattern}
                  patterns={all}
                  articles={a}
                />
              )}
            </Await>
            <Versions code={pattern.code} />
          </Page>
        ) : (
          <Page title={t('nav.patterns')}>
            <Empty words={t('patterns.gone')}>
              <Button component={Link} to="/patterns">
                {t('patterns.all')}
              </Button>
            </Empty>
          </Page>
        );
      }}
    </Await>
  );
}

function Actions({ pattern }: { pattern: Schemas['PatternView'] }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const withdraw = useWithdraw(false);
  const back = useWithdraw(true);
  const remove = async () => {
    try {
      await withdraw.mutateAsync(pattern.code);
    } catch (error) {
      if (!(error instanceof ProblemError)) throw error;
      notifications.show({ message: `${error.problem.title}. ${error.problem.detail}`, color: 'coral' });
      return;
    }
    navigate('/patterns');
    notifications.show({
      message: (
        <Group gap="sm">
          {t('patterns.withdrawn', { name: pattern.name })}
          <Button size="compact-sm" variant="default" onClick={() => back.mutate(pattern.code)}>
            {t('undo')}
          </Button>
        </Group>
      ),
      autoClose: 12_000,
    });
  };
  return (
    <>
      <Button component="a" href={`/api/patterns/${pattern.code}/picture.svg`} variant="default" download>
        {t('patterns.svg')}
      </Button>
      <Button component="a" href={`/api/patterns/${pattern.code}/pattern.json`} variant="default" download>
        {t('patterns.json')}
      </Button>
      {!pattern.shipped && (
        <Button variant="default" onClick={remove} loading={withdraw.isPending}>
          {t('patterns.withdraw')}
        </Button>
      )}
      <Button
        component={Link}
        to={pattern.shipped ? `/patterns/new?from=${pattern.code}` : `/patterns/${pattern.code}/edit`}
        variant="default"
      >
        {t(pattern.shipped ? 'patterns.copy' : 'patterns.edit')}
      </Button>
      <Button component={Link} to={`/orders/new?pattern=${pattern.code}`}>
        {t('patterns.order')}
      </Button>
    </>
  );
}

interface LiveProps {
  pattern: Schemas['PatternView'];
  patterns: Schemas['PatternView'][];
  articles: Schemas['Article'][];
}

function Live({ pattern, patterns, articles }: LiveProps) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const { choices, put, set, problem, live } = useLiveChoices(() => firstChoices(pattern, articles));
  return (
    <Grid gap="md">
      <Grid.Col span={{ base: 12, md: 4 }}>
        <Stack className="panel" p="md" gap={10}>
          <Text size="sm" c="dimmed">
            {t(`patternKind.${pattern.kind}`)} · {t(`closure.${pattern.closure}`)} ·{' '}
            {pattern.stitches.map((s) => stitchName(t, s)).join(', ')}
          </Text>
          <ChoiceFields pattern={pattern} articles={articles} choices={choices} set={set} problem={problem} />
        </Stack>
      </Grid.Col>
      <Grid.Col span={{ base: 12, md: 8 }}>
        <LivePiece
          live={live}
          onOffer={(offer) =>
            offer.change === 'PATTERN'
              ? navigate(`/patterns/${offer.value}`)
              : put(withOffer(choices, offer, patterns, articles))
          }
        />
      </Grid.Col>
    </Grid>
  );
}
