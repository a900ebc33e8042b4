import type { Plan } from '../../api/types';
import { Figures } from '../../ui/Figures';

/** The name that the template gives, however long it is. */
export function WholeName({ plan }: { plan: Plan }) {
    return (
        <p className="mt-3 border-t border-line pt-2 text-[12px] break-all text-soft">
            <Figures text={plan.values.file.label} />
        </p>
    );
}
