import { expect, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import { CutNote } from './CutNote.tsx';

test('a list says how many it shows of all there are, and nothing where it shows all', () => {
  const items = [1, 2, 3];
  const { rerender, container } = render(<CutNote list={{ items, total: 812, isCut: true }} what="tickets" />);
  expect(screen.getByRole('note').textContent).toBe('3 of 812 tickets are shown here.');
  rerender(<CutNote list={{ items, total: 3, isCut: false }} what="tickets" />);
  expect(container.textContent).toBe('');
});
