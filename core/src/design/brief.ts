/** What the maker wants, in their own words, before any part is chosen. What is left out is not known yet. */
export interface Brief {
  needs: Need[];
  /** Where it is to stand. */
  outdoors?: boolean;
  /** When it has to work. */
  by?: (typeof workTimes)[number];
  feed?: (typeof feeds)[number];
  controller?: (typeof controllers)[number];
  /** What is to be done when something is noticed. */
  answer?: (typeof answers)[number];
  /** For how long, s. */
  lasts?: number;
  withoutPower?: (typeof deadSupplies)[number];
  /** Who is told. */
  tells: string;
  /** Notices that were read, by id. */
  read?: string[];
  /** Children or animals may be near. */
  children?: boolean;
  animals?: boolean;
}

/** Something that must be noticed, or that must not set it off. */
export interface Need {
  id: string;
  intent: 'wanted' | 'nuisance';
  /** Kind of happening. */
  kind: string;
  /** In the maker's words. */
  name: string;
  /** How fast, how large, how long: values of that kind where they are not the usual ones. */
  params: Record<string, number>;
  /** How far from it a sensor can be, m. */
  far?: number;
  /** Within which it must be noticed, s. */
  within?: number;
}

export const workTimes = ['day', 'night', 'always'] as const;
export const feeds = ['mains', 'battery'] as const;
export const controllers = ['with', 'without'] as const;
export const answers = ['sound', 'light', 'message', 'switch', 'valve', 'pump', 'lock'] as const;
/** What the design does when its supply is gone. */
export const deadSupplies = ['nothing', 'alarm'] as const;

export const emptyBrief: Brief = { needs: [], tells: '' };
