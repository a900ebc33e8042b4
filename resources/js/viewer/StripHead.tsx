import type { Cut, CutAnalysis } from '../api/types';
import { Pictures } from './Pictures';
import { Ruler } from './Ruler';
import type { View } from './useView';

interface Props {
    cut: Cut;
    analysis: CutAnalysis | undefined;
    view: View;
    width: number;
    /** Of the ruler and of the pictures below it, in pixels. */
    ruler: number;
    pictures: number;
}

/** Times and small pictures along a strip; grey where there are none yet. */
export function StripHead({ cut, analysis, view, width, ruler, pictures }: Props) {
    return (
        <>
            <Ruler cut={cut} view={view} width={width} height={ruler} />
            {analysis?.strip ? (
                <Pictures
                    strip={analysis.strip}
                    pictures={analysis.pictures}
                    shape={cut.displayWidth / cut.displayHeight}
                    frames={cut.frames}
                    view={view}
                    width={width}
                    height={pictures}
                />
            ) : (
                <div className="bg-sunk" style={{ height: pictures }} />
            )}
        </>
    );
}
