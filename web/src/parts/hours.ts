/** Hours as one says them: `40 min`, `6 h`, `3 days`. */
export const hoursWords = (hours: number): string =>
  hours < 1.5
    ? `${Math.round(hours * 60)} min`
    : hours < 48
      ? `${Math.round(hours)} h`
      : `${Math.round(hours / 24)} days`;
