/** Words that begin a sentence: the first letter becomes a capital, the rest stays as it was written. */
export const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
