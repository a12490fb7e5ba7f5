import type { WebDriver } from 'selenium-webdriver';

/** What can be measured of the letters of a drawing as it stands on the screen. */
export interface TextMeasures {
  texts: number;
  /** Smallest letters, px on the screen. */
  smallest: number;
  /** Texts that overlap each other. */
  crossing: string[];
  /** Texts that reach out of the drawing. */
  out: string[];
}

/** Measures a drawing's texts by what the browser says of each of its letters. */
export const measureTexts = (driver: WebDriver, drawing: string): Promise<TextMeasures> =>
  driver.executeScript<TextMeasures>(
    `
    const svg = document.querySelector(arguments[0]);
    const frame = svg.getBoundingClientRect();
    const texts = [...svg.querySelectorAll('text')].filter((t) => t.textContent.trim());
    const ink = (t) => {
      const { left, right, top, height } = t.getBoundingClientRect();
      return { left, right, top: top + 0.18 * height, bottom: top + 0.82 * height };
    };
    const meet = (a, b) => a.left + 1 < b.right && b.left + 1 < a.right && a.top + 1 < b.bottom && b.top + 1 < a.bottom;
    const say = (t) => t.textContent.trim().replace(/\\s+/g, ' ');
    const size = (t) => parseFloat(getComputedStyle(t).fontSize) * t.getScreenCTM().a;
    const crossing = texts.flatMap((a, i) =>
      texts.slice(i + 1).filter((b) => meet(ink(a), ink(b))).map((b) => say(a) + ' × ' + say(b)));
    const out = texts.filter((t) => {
      const { left, right, top, bottom } = ink(t);
      return left < frame.left - 1 || right > frame.right + 1 || top < frame.top - 1 || bottom > frame.bottom + 1;
    });
    return { texts: texts.length, smallest: Math.min(...texts.map(size)), crossing, out: out.map(say) };
  `,
    drawing,
  );
