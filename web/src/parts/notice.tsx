/** A refusal or failure: what happened, what was kept, what to do. Announced when it appears. */
export function Notice({ text, onClose }: { text: string | undefined; onClose?: () => void }) {
  return (
    <div role="alert">
      {text && (
        <div className="flex items-start justify-between gap-3 border-l-4 border-brick bg-brick-tint px-4 py-3 text-ink">
          <p className="m-0">{text}</p>
          {onClose && (
            <button
              type="button"
              onClick={onClose}
              className="min-h-11 min-w-11 cursor-pointer underline"
            >
              Close
            </button>
          )}
        </div>
      )}
    </div>
  );
}
