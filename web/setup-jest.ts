import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';

setupZonelessTestEnv();

// What browsers have and jsdom lacks.
window.matchMedia ??= () => ({ matches: false }) as MediaQueryList;
performance.mark ??= (() => undefined) as never;
Element.prototype.scrollIntoView ??= () => undefined;
Element.prototype.getAnimations ??= () => [];
window.ResizeObserver ??= class {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
};
