/** A picture by its hash: the device's own copy first, else the server's. */
import { useEffect, useState } from 'react';
import { localStore } from '../data/local-store';

export function Photo({
  hash,
  words,
  className = '',
}: {
  hash: string;
  words: string;
  className?: string;
}) {
  const url = usePhotoUrl(hash);
  const [gone, setGone] = useState(false);
  if (gone)
    return (
      <span
        className={`flex items-center border border-hair px-3 text-[14px] text-soft ${className}`}
      >
        {words}: not here yet, still on the other device
      </span>
    );
  return url === undefined ? null : (
    <img
      src={url}
      alt={words}
      onError={() => setGone(true)}
      className={`border border-hair object-contain ${className}`}
    />
  );
}

function usePhotoUrl(hash: string): string | undefined {
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    let made: string | undefined;
    let mounted = true;
    void localStore.photos.get(hash).then((kept) => {
      if (!mounted) return;
      made = kept && URL.createObjectURL(kept.blob);
      setUrl(made ?? `/api/v1/photos/${hash}`);
    });
    return () => {
      mounted = false;
      if (made !== undefined) URL.revokeObjectURL(made);
    };
  }, [hash]);
  return url;
}
