/** Skipping takes a reason: the report says it. */
import { ReasonDialog } from '../../parts/reason-dialog';

const REASONS = ['cannot reach it', 'not safe here', 'not needed any more'];

export interface SkipDialogProps {
  readonly open: boolean;
  readonly title: string;
  readonly onClose: () => void;
  readonly onSkip: (reason: string) => void;
}

export const SkipDialog = ({ open, title, onClose, onSkip }: SkipDialogProps) => (
  <ReasonDialog
    open={open}
    title={`Skip “${title}”: why?`}
    reasons={REASONS}
    act="Skip"
    leave="Do not skip"
    onClose={onClose}
    onReason={onSkip}
  />
);
