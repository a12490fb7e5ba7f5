/** Marks a SQLite file as ours: "YURE" (https://www.sqlite.org/pragma.html#pragma_application_id). */
export const applicationId = 0x59555245;
