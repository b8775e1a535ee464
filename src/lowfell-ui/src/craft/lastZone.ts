/** Where the stack was open last; the screen opens there again. */
export const lastZoneKey = "lowfell.lastZone";
