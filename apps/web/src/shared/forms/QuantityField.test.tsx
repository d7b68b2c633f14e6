import { expect, test } from '@jest/globals';
import { MantineProvider } from '@mantine/core';
import { configureStore } from '@reduxjs/toolkit';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { defaultUnits } from '@zivvo/words';
import { useForm } from 'react-hook-form';
import { Provider } from 'react-redux';
import { QuantityField } from './QuantityField.tsx';

function Harness({ onValue }: { onValue: (value: number | null) => void }) {
  const { control, watch, setValue } = useForm<{ diameterM: number | null }>({ defaultValues: { diameterM: null } });
  onValue(watch('diameterM'));
  return (
    <>
      <QuantityField control={control} name="diameterM" label="Diameter" dimension="length" />
      <button onClick={() => setValue('diameterM', 0.254)}>fill in</button>
    </>
  );
}

function show(): { value: () => number | null; input: HTMLInputElement } {
  let last: number | null = null;
  const store = configureStore({ reducer: { settings: () => ({ units: defaultUnits }) } });
  render(
    <Provider store={store}>
      <MantineProvider env="test">
        <Harness onValue={(v) => (last = v)} />
      </MantineProvider>
    </Provider>,
  );
  return { value: () => last, input: screen.getByRole<HTMLInputElement>('textbox') };
}

test('what is typed stays as typed while the form holds SI', async () => {
  const { value, input } = show();
  await userEvent.type(input, '129.5 mm');
  expect(input.value).toBe('129.5 mm');
  expect(value()).toBeCloseTo(0.1295, 9);
  await userEvent.clear(input);
  expect(value()).toBeNull();
});

test('what cannot be read is said at its place and not lost', async () => {
  const { value, input } = show();
  await userEvent.type(input, '7 bananas');
  expect(value()).toBeNaN();
  expect(input.value).toBe('7 bananas');
  expect(screen.getByText(/is not a unit here/)).toBeInTheDocument();
});

test('a value that the form fills in is shown in the reader’s unit', async () => {
  const { input } = show();
  await userEvent.click(screen.getByText('fill in'));
  expect(input.value).toBe('10');
});
