/** Which of two places the black probe lies on, where either will do: kept until the probes move on. */
import { otherEnd, type TestPoint } from '@jeitinho/core/sheet';
import { useDraft } from '../../data/draft';

export interface EndInHand {
  /** The point with its black probe where it lies. */
  readonly point: TestPoint;
  /** Whether it lies on the other place. */
  readonly other: boolean;
  /** Absent where there is one place only. */
  readonly swap?: () => void;
}

export function useEnd(job: string, observable: string, point: TestPoint): EndInHand {
  const [kept, keep] = useDraft(`end.${job}.${observable}`);
  const other = kept === 'or' && point.or !== undefined;
  return {
    point: other ? otherEnd(point) : point,
    other,
    ...(point.or !== undefined && { swap: () => keep(other ? '' : 'or') }),
  };
}
