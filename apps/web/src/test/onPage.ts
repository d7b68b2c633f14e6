import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';

/** The headline of a page, once it stands there. */
export function heading(name: string | RegExp, timeout?: number): Promise<HTMLElement> {
  return screen.findByRole('heading', { level: 1, name }, timeout === undefined ? undefined : { timeout });
}

/** A text field by its label. */
export function field(name: string | RegExp): HTMLElement {
  return screen.getByRole('textbox', { name });
}

/** Puts a text into a field in place of what stood there, in one stroke; an empty text leaves it empty. */
export async function fill(name: string | RegExp, text: string): Promise<void> {
  // Looked up once: finding a field by its label among forty takes longer than typing into it.
  const found = field(name);
  await userEvent.clear(found);
  if (text !== '') await userEvent.paste(text);
}

/** Where the browser is, as `renderInApp` shows it. */
export function address(): string {
  return screen.getByTestId('address').textContent;
}
