/** The years of a unit under its plate; without the server there is nothing to show, and nothing is missing. */
import { useQuery } from '@tanstack/react-query';
import { ask } from '../../data/api';
import { Years } from './years';

export function UnitYears({ unitId }: { readonly unitId: string }) {
  const years = useQuery({
    queryKey: ['units', unitId, 'years'],
    queryFn: () => ask('unitYears', { params: { id: unitId } }),
    retry: false,
  });
  return years.data ? <Years years={years.data} whose="unit" /> : null;
}
