/** The report behind a link, for a customer who is nobody here. */
import { useQuery } from '@tanstack/react-query';
import { useLocation } from 'react-router';
import { ApiProblem, ask } from '../../data/api';
import { longDay } from '../../data/now';
import { Button } from '../../parts/button';
import { ReportPaper } from '../sign/report-paper';

export function SharedReport() {
  const { hash } = useLocation();
  const token = hash.slice(1);
  const shared = useQuery({
    queryKey: ['shared', token],
    queryFn: () => ask('sharedReport', { body: { token } }),
    retry: false,
    staleTime: Infinity,
  });
  return (
    <main id="content" className="print-flow mx-auto max-w-4xl px-4 py-6">
      {shared.isPending && <p className="text-soft">Fetching the report …</p>}
      {shared.isError && (
        <div className="border-l-4 border-marigold bg-marigold-tint px-5 py-4">
          <h1 className="m-0 text-[22px] font-bold">No report is shown here</h1>
          <p className="m-0">
            {shared.error instanceof ApiProblem
              ? shared.error.message
              : 'The shop’s server does not answer now. Try again later.'}
          </p>
        </div>
      )}
      {shared.isSuccess && (
        <>
          <div className="no-print mb-3 flex flex-wrap items-center justify-between gap-3">
            <p className="m-0 text-[15px] text-soft">
              {shared.data.shop.name} shows you this until {longDay(shared.data.until)}.
            </p>
            <Button onClick={() => window.print()}>Print</Button>
          </div>
          <ReportPaper report={shared.data.report} head={shared.data} />
        </>
      )}
    </main>
  );
}
