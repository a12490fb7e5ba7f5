import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';

setupZonelessTestEnv();

// What browsers have and jsdom lacks.
window.matchMedia ??= () =>
  ({
    ...{ matches: false, addEventListener: () => undefined },
    removeEventListener: () => undefined,
  }) as unknown as MediaQueryList;
const { encode } = TextEncoder.prototype;
// Of this window's own kind, as some look whether it is.
TextEncoder.prototype.encode = function (text) {
  return new Uint8Array(encode.call(this, text));
};
performance.mark ??= (() => undefined) as never;
Element.prototype.scrollIntoView ??= () => undefined;
Element.prototype.getAnimations ??= () => [];
window.ResizeObserver ??= class {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
};
