import { Alert, Button, Center } from '@mantine/core';
import { Component, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';

interface Props {
  children: ReactNode;
  /** Whether only a view broke, and the rail beside it leads elsewhere. */
  inside?: boolean;
}

/**
 * Says that a view broke instead of leaving a white window: a bug, or a part of the page that a newer release took away while it
 * stood open. What is stored is stored; a reload begins the view anew.
 */
export class ErrorBoundary extends Component<Props, { broken: boolean }> {
  override state = { broken: false };

  static getDerivedStateFromError() {
    return { broken: true };
  }

  override render() {
    return this.state.broken ? <Broken inside={this.props.inside} /> : this.props.children;
  }
}

function Broken({ inside }: { inside?: boolean }) {
  const { t } = useTranslation();
  return (
    <Center mih={inside ? 240 : '100vh'} p="md">
      <Alert color="coral" variant="outline" title={t('broken.title')} role="alert" maw={520}>
        <p>{t(inside ? 'broken.inside' : 'broken.detail')}</p>
        <Button onClick={() => window.location.reload()}>{t('broken.reload')}</Button>
      </Alert>
    </Center>
  );
}
