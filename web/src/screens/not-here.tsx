import { Link } from 'react-router';

/** A dead end, with the way out. */
export function NotHere({ what, detail }: { what: string; detail: string }) {
  return (
    <main className="mx-auto flex min-h-dvh max-w-xl flex-col justify-center gap-3 p-6">
      <h1 className="m-0 text-[25px] font-bold">{what}</h1>
      <p className="m-0 text-soft">{detail}</p>
      <p className="m-0">
        <Link
          to="/"
          className="inline-flex min-h-11 items-center bg-jade px-5 font-semibold text-on-jade no-underline"
        >
          To Today
        </Link>
      </p>
    </main>
  );
}
