import '@testing-library/jest-dom/jest-globals';

Object.defineProperty(window, 'matchMedia', {
  writable: true,
  value: (query: string) => ({
    matches: false,
    media: query,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
    dispatchEvent: () => false,
  }),
});

class NoResize {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
(globalThis as { ResizeObserver?: unknown }).ResizeObserver = NoResize;

Object.defineProperty(document, 'fonts', {
  value: { ready: Promise.resolve(), addEventListener: () => undefined, removeEventListener: () => undefined },
});
