import { Group, Modal, Stack } from '@mantine/core';
import type { ReactNode } from 'react';

interface Props {
  title: string;
  /** What the cross does, for those who do not see it. */
  close: string;
  onClose: () => void;
  children: ReactNode;
}

/** A dialog of the bench: without a banner of its own, and with a cross that a thumb hits. */
export function Dialog({ title, close, onClose, children }: Props) {
  return (
    <Modal.Root opened onClose={onClose} size="lg" centered>
      <Modal.Overlay />
      <Modal.Content>
        <Modal.Body>
          <Stack gap="sm">
            <Group justify="space-between">
              <Modal.Title>{title}</Modal.Title>
              <Modal.CloseButton aria-label={close} size={48} />
            </Group>
            {children}
          </Stack>
        </Modal.Body>
      </Modal.Content>
    </Modal.Root>
  );
}
