/** `DM` of Davi Moura. */
export const initialsOf = (name: string): string => {
  const words = name.split(/\s+/).filter(Boolean);
  return [words[0], words.length > 1 ? words.at(-1) : undefined]
    .map((word) => word?.[0] ?? '')
    .join('')
    .toUpperCase();
};
