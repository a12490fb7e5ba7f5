/** The colours of the present theme, for what is drawn on a canvas. */
export interface Inks {
  ink: string;
  soft: string;
  rule: string;
  lantern: string;
  amber: string;
  moss: string;
  indigo: string;
  mono: string;
}

export function inkColours(): Inks {
  const style = getComputedStyle(document.documentElement);
  const token = (name: string): string => style.getPropertyValue(`--${name}`).trim();
  return {
    ink: token('ink'),
    soft: token('soft'),
    rule: token('rule'),
    lantern: token('lantern'),
    amber: token('amber'),
    moss: token('moss'),
    indigo: token('indigo'),
    mono: token('mono'),
  };
}
