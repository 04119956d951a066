/** Failures that come together more often than chance explains, and what it would be worth to look. */
import { useQuery } from '@tanstack/react-query';
import { ask } from '../../data/api';
import { DeskFrame } from '../../parts/desk-frame';
import { many } from '../../parts/many';
import { Notice } from '../../parts/notice';
import { PatternCard } from './pattern-card';
import { RecordRooms } from './record-rooms';

export function PatternsScreen() {
  const found = useQuery({ queryKey: ['patterns'], queryFn: () => ask('patterns', {}) });
  return (
    <DeskFrame>
      <RecordRooms />
      <h1 className="m-0 text-[25px] font-bold">Patterns</h1>
      <p className="m-0 max-w-prose text-soft">
        The same proven failure at one site, on one model, of one part, batch or supplier, or in one
        season, within two years, where chance alone brings so many less than once in a hundred
        times. A pattern proves nothing: it says where to ask.
      </p>
      <Notice
        text={found.isError ? 'Patterns cannot be fetched: the server does not answer.' : undefined}
      />
      {found.data && found.data.patterns.length === 0 && (
        <p className="mt-4 border-l-4 border-jade bg-jade-tint px-4 py-3">
          Nothing comes together beyond chance:{' '}
          {many(found.data.repairs, 'proven repair was', 'proven repairs were')} looked at.
        </p>
      )}
      {found.data?.patterns.map((each) => (
        <PatternCard
          key={`${each.by} ${each.group} ${each.sheet} ${each.what}`}
          pattern={each}
          currency={found.data.currency}
        />
      ))}
    </DeskFrame>
  );
}
