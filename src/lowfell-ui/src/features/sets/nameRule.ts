/** What a name has to be. */
export const nameRule = {
  required: "A name is needed.",
  maxLength: { value: 120, message: "120 characters are the most." },
  validate: (v: string) => v.trim() !== "" || "A name is needed.",
};
