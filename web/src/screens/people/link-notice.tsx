/** A link that lets somebody in once: shown once, to be handed on; as a code for a phone that stands beside. */
import { useState } from 'react';
import { momentWords } from '../../data/now';
import { Button } from '../../parts/button';
import { QrCode } from '../../parts/qr-code';

export interface FreshLink {
  readonly name: string;
  readonly path: string;
  readonly until: string;
}

export function LinkNotice({
  link,
  onClose,
}: {
  readonly link: FreshLink;
  readonly onClose: () => void;
}) {
  const [copied, setCopied] = useState(false);
  const address = `${window.location.origin}${link.path}`;
  return (
    <section
      aria-label={`Link for ${link.name}`}
      className="mt-4 flex flex-wrap items-start gap-6 border-2 border-jade bg-jade-tint p-4"
    >
      <QrCode text={address} label={`Link for ${link.name} as a code`} />
      <div className="min-w-0 flex-1">
        <h2 className="m-0 text-[18px] font-bold">A way in for {link.name}</h2>
        <p className="m-0">
          Works once, until {momentWords(link.until)}. It is shown only here: hand it to them, and
          to nobody else.
        </p>
        <code className="figure mt-2 block bg-card p-2 text-[15px] break-all">{address}</code>
        <div className="mt-2 flex flex-wrap gap-2">
          <Button
            onClick={() => void navigator.clipboard?.writeText(address).then(() => setCopied(true))}
          >
            {copied ? 'Copied' : 'Copy the link'}
          </Button>
          <Button kind="quiet" onClick={onClose}>
            Done
          </Button>
        </div>
      </div>
    </section>
  );
}
