import { fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { expect, it } from 'vitest';
import { show } from '../../test/show';
import { EditableList } from './EditableList';

function Words() {
  const [items, setItems] = useState(['eye', 'body', 'stopper']);
  return (
    <>
      <EditableList
        title="Sections"
        items={items}
        name={(item) => item}
        onChange={setItems}
        fresh={() => 'knot'}
        addLabel="Add a section"
        problems={(i) => (items[i] === 'stopper' && !items.includes('eye') ? ['Nothing to close over.'] : [])}
      >
        {(item, set) => <input aria-label={item} value={item} onChange={(e) => set(e.currentTarget.value)} />}
      </EditableList>
      <output>{items.join(' ')}</output>
    </>
  );
}

const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const now = () => screen.getByRole('status').textContent;

it('adds, moves, doubles, changes and removes items, each by its own button', () => {
  show(<Words />);
  press('Move body up');
  expect(now()).toBe('body eye stopper');
  press('Move body down');
  press('Double stopper');
  expect(now()).toBe('eye body stopper stopper');
  press('Add a section');
  expect(now()).toBe('eye body stopper stopper knot');
  press('Remove knot');
  fireEvent.change(screen.getByLabelText('body'), { target: { value: 'bar' } });
  expect(now()).toBe('eye bar stopper stopper');
});

it('cannot move the first up or the last down', () => {
  show(<Words />);
  expect((screen.getByRole('button', { name: 'Move eye up' }) as HTMLButtonElement).disabled).toBe(true);
  expect((screen.getByRole('button', { name: 'Move stopper down' }) as HTMLButtonElement).disabled).toBe(
    true,
  );
});

it('says what stands against an item where it stands', () => {
  show(<Words />);
  expect(screen.queryByRole('alert')).toBeNull();
  press('Remove eye');
  expect(screen.getByRole('alert').textContent).toBe('Nothing to close over.');
});
