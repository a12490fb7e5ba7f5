import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';

setupZonelessTestEnv();

// What browsers have and jsdom lacks.
window.matchMedia ??= () =>
  ({
    ...{ matches: false, addEventListener: () => undefined },
    removeEventListener: () => undefined,
  }) as unknown as MediaQueryList;
// Of this window's own kind, as some look whether it is; the one that is there is shared with tests that have no window.
window.TextEncoder = class extends TextEncoder {
  override encode(text?: string) {
    return new Uint8Array(super.encode(text));
  }
};
performance.mark ??= (() => undefined) as never;
Element.prototype.scrollIntoView ??= () => undefined;
Element.prototype.getAnimations ??= () => [];
window.ResizeObserver ??= class {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
};
