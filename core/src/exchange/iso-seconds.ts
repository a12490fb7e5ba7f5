const pattern =
  /^(\d{4})-(\d\d)-(\d\d)[T ](\d\d):(\d\d)(?::(\d\d)(?:[.,](\d+))?)?(?:Z|[+-]\d\d:?\d\d)?$/;

/**
 * Seconds since 1970 of a date with its time of day as tables write it (ISO 8601); NaN for anything else. A zone
 * is passed over: within one log only differences matter. Days after E. G. Richards, "Mapping Time" (1998).
 */
export function isoSeconds(text: string): number {
  const match = pattern.exec(text.trim());
  if (!match) return NaN;
  const [year = 0, month = 0, day = 0, hour = 0, minute = 0, second = 0] = match
    .slice(1, 7)
    .map((part) => Number(part ?? 0));
  if (month < 1 || month > 12 || day < 1 || day > 31 || hour > 24 || minute > 59 || second > 60)
    return NaN;
  // Years begin in March, so that the odd day is their last.
  const y = month <= 2 ? year - 1 : year;
  const m = (month + 9) % 12;
  const days =
    365 * y +
    Math.floor(y / 4) -
    Math.floor(y / 100) +
    Math.floor(y / 400) +
    Math.floor((153 * m + 2) / 5) +
    day -
    1 -
    719_468;
  return days * 86_400 + hour * 3600 + minute * 60 + second + Number(`0.${match[7] ?? 0}`);
}
