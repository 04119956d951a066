/** An address as a code for a phone's camera: dark on light in both themes, for cameras want it so. */
import { renderSVG } from 'uqr';

interface QrCodeProps {
  readonly text: string;
  /** What it leads to, for who hears the page. */
  readonly label: string;
  readonly className?: string;
}

export function QrCode({ text, label, className = 'size-44' }: QrCodeProps) {
  // Restored from a quarter of its dirt and scratches.
  const code = renderSVG(text, { ecc: 'Q', border: 2 });
  return (
    <img
      src={`data:image/svg+xml,${encodeURIComponent(code)}`}
      alt={label}
      className={`shrink-0 ${className}`}
    />
  );
}
