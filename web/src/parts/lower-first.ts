/** Words in the middle of a sentence: the first letter small, the rest as it was written. */
export const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
