const found = import.meta.glob<string>(
  "../../../../../docs/screenshots/{empty,begin,coats,tonight,bench-tablet,look,shelf,plan,mend}.png",
  { query: "?url", import: "default", eager: true },
);

/** Where a picture of the guide lies in the application, by its name in the documents. */
export const pictures: Record<string, string> = Object.fromEntries(
  Object.entries(found).map(([path, address]) => [`screenshots/${path.split("/").at(-1)!}`, address]),
);
