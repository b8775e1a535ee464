/** A key that one wet finger meets. */
export const bigKey = "min-h-14 rounded-lg border px-4 text-xl font-semibold";
