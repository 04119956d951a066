/** A day and hour to type or choose; local time, blank for none. */
import { FIELD } from './field';

export interface HourFieldProps {
  readonly label: string;
  /** As the browser has it: `2026-11-27T14:30`. */
  readonly hour: string;
  readonly onHour: (hour: string) => void;
  readonly className?: string;
}

export const HourField = ({ label, hour, onHour, className = 'block' }: HourFieldProps) => (
  <label className={`text-[14px] text-soft ${className}`}>
    {label}
    <input
      type="datetime-local"
      value={hour}
      onChange={(event) => onHour(event.target.value)}
      className={FIELD}
    />
  </label>
);
