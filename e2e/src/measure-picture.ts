import type { WebDriver } from 'selenium-webdriver';

/** What can be measured of the picture as it stands on the screen. */
export interface PictureMeasures {
  /** Smallest letters, px on the screen. */
  smallest: number;
  /** Smallest letters of a value on a wire, px. */
  smallestValue: number;
  /** Share of the paper that the cards and wires reach over, 0 to 1. */
  used: number;
  /** Everything is in sight. */
  whole: boolean;
  /** Texts that overlap each other, or a card that is not theirs. */
  crossing: string[];
  /** Texts that are cut, without their whole text to be had. */
  cut: string[];
  /** Texts that reach over the edge of their own card. */
  over: string[];
}

/** Measures the picture by what the browser says of each of its letters. */
export const measurePicture = (driver: WebDriver): Promise<PictureMeasures> =>
  driver.executeScript<PictureMeasures>(`
    const svg = document.querySelector('svg.picture');
    const paper = svg.getBoundingClientRect();
    const scale = svg.querySelector('g').getScreenCTM().a;
    const box = (e) => e.getBoundingClientRect();
    const meet = (a, b, by = 1) =>
      a.left + by < b.right && b.left + by < a.right && a.top + by < b.bottom && b.top + by < a.bottom;
    const texts = [...svg.querySelectorAll('text')].filter((t) => t.textContent.trim());
    const ink = (t) => {
      // The line's own height reaches beyond its letters.
      const { left, right, top, height } = box(t);
      return { left, right, top: top + 0.18 * height, bottom: top + 0.82 * height };
    };
    const size = (t) => parseFloat(getComputedStyle(t).fontSize) * scale;
    const say = (t) => t.textContent.trim().replace(/\\s+/g, ' ');
    const cards = [...svg.querySelectorAll('.card')];
    const crossing = [];
    texts.forEach((a, i) => {
      for (const b of texts.slice(i + 1))
        if (meet(ink(a), ink(b))) crossing.push(say(a) + ' × ' + say(b));
      for (const card of cards)
        if (!card.contains(a) && meet(ink(a), box(card.querySelector('.plate'))))
          crossing.push(say(a) + ' × card ' + card.dataset.part);
    });
    const named = (e) => e && (e.querySelector(':scope > title') || named(e.parentElement));
    const cut = texts.filter((t) => say(t).includes('…') && !named(t)).map(say);
    const over = cards.flatMap((card) => {
      const plate = box(card.querySelector('.plate'));
      return [...card.querySelectorAll('.body text, .tab text, .more')]
        .filter((t) => !t.matches('.times') && say(t))
        .filter((t) => box(t).left < plate.left + 2 || box(t).right > plate.right - 2)
        .map((t) => card.dataset.part + ': ' + say(t));
    });
    const all = [...svg.querySelectorAll('.plate, .line, .banner, text')].map(box);
    const [left, top] = [Math.min(...all.map((b) => b.left)), Math.min(...all.map((b) => b.top))];
    const [right, bottom] = [Math.max(...all.map((b) => b.right)), Math.max(...all.map((b) => b.bottom))];
    const whole = left >= paper.left - 1 && top >= paper.top - 1 && right <= paper.right + 1 && bottom <= paper.bottom + 1;
    return {
      smallest: Math.min(...texts.map(size)),
      smallestValue: Math.min(...[...svg.querySelectorAll('.volts')].map(size)),
      used: ((right - left) * (bottom - top)) / (paper.width * paper.height),
      whole, crossing, cut, over,
    };
  `);
