import type { Transit } from '../api/types';
import { spaced } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { useFollow } from '../ui/useFollow';

interface Props {
    result: Transit;
    /** Place of the screen in each candidate's list. */
    screen: number;
    chosen: string | null;
    choose: (name: string) => void;
    /** Id of the test, for looking at its pictures. */
    test: number;
}

type After = Transit['candidates'][number]['after'][number];

const percent = (share: number | null | undefined) => (share == null ? '–' : `${Math.round(100 * share)} %`);

/** Three figures, as rates are known. */
const megabits = (rate: number | null | undefined) =>
    rate == null ? '–' : String(Number((rate / 1e6).toPrecision(3)));

const asked = (rate: number | null | undefined) => (rate == null ? 'a quality' : `${megabits(rate)}\u2009Mb/s`);

/** Widths in pixels are said, so that a long table is laid out without a look at each of its cells. */
const heads: { text: string; width: number; below?: string; about?: string }[] = [
    { text: 'File size', width: 80 },
    { text: 'To make', width: 72 },
    { text: 'To send', width: 72 },
    { text: 'Bitrate used', width: 128, below: 'upload → host, Mb/s', about: 'bitrate' },
    { text: 'The upload', width: 84, below: 'SSIM dB', about: 'ssimDb' },
    { text: 'After the host', width: 132, below: 'mean · worst second', about: 'ssimDbWorst' },
    { text: 'Detail kept', width: 92, below: 'fine → coarse', about: 'detailKept' },
    { text: 'Grain', width: 58, below: 'kept', about: 'grainKept' },
    { text: 'Shadow', width: 68, below: 'texture', about: 'shadowKept' },
    { text: 'Banding', width: 76, below: 'added', about: 'bandingAdded' },
    { text: 'Tone', width: 66, about: 'toneShift' },
];
/** Of the name and of the way to the pictures; what a wide page has more is shared out among all. */
const [NAME, LOOK] = [220, 48];
const least = { minWidth: heads.reduce((sum, { width }) => sum + width, NAME + LOOK) };

export function Results({ result, screen, chosen, choose, test }: Props) {
    const follow = useFollow();
    return (
        <>
            <div className="mt-3 overflow-x-auto">
                <table
                    className="w-full table-fixed border-t-2 border-rule text-[13px]"
                    style={least}
                    aria-label="What is left of each candidate"
                >
                    <colgroup>
                        <col style={{ width: NAME }} />
                        {heads.map(({ text, width }) => (
                            <col key={text} style={{ width }} />
                        ))}
                        <col style={{ width: LOOK }} />
                    </colgroup>
                    <thead>
                        <tr className="border-b border-rule align-bottom text-soft">
                            <th scope="col" className="px-3 py-1.5 text-left">
                                Candidate
                            </th>
                            {heads.map(({ text, below, about }) => (
                                <th
                                    key={text}
                                    scope="col"
                                    title={about === undefined ? undefined : result.measures[about]}
                                    className="px-2 py-1.5 text-right leading-4"
                                >
                                    {text}
                                    {below && <span className="block text-[11.5px] font-normal">{below}</span>}
                                </th>
                            ))}
                            <td />
                        </tr>
                    </thead>
                    <tbody>
                        {result.candidates.map(({ name, upload, after }, place) => {
                            const on = after[screen];
                            const isBest = name === result.recommended.name;
                            const outline = chosen === name ? 'outline-1 -outline-offset-1 outline-rule' : '';
                            return (
                                <tr
                                    key={name}
                                    aria-selected={chosen === name}
                                    className={`row-30 border-b border-line ${isBest ? 'bg-rust-wash' : 'bg-surface'} ${outline}`}
                                >
                                    <th scope="row" className="px-3 text-left">
                                        <button
                                            type="button"
                                            onClick={() => choose(name)}
                                            className="max-w-full truncate text-left hover:underline"
                                            title={name}
                                        >
                                            {name}
                                        </button>
                                    </th>
                                    <Cell text={upload.bytesLabel} />
                                    <Cell text={upload.secondsLabel} />
                                    <Cell text={upload.sendLabel} />
                                    <Cell
                                        text={`${megabits(upload.bitrate)} → ${megabits(on?.bitrate)}`}
                                        title={`Asked for: ${asked(upload.wanted)} of the upload, ${asked(on?.wanted)} of the host.`}
                                    />
                                    <Cell text={upload.ssimDb.toFixed(1)} />
                                    <Cell
                                        text={
                                            on === undefined
                                                ? '–'
                                                : `${on.ssimDb.toFixed(2)} · ${on.ssimDbWorst.toFixed(1)}`
                                        }
                                        title={
                                            on &&
                                            `${on.codec}, ${on.frame}, ${on.tier} tier, ${Math.round(on.bitrate / 1000)} kb/s; ` +
                                                `± ${on.margin.toFixed(2)} dB beside the recommended one`
                                        }
                                    />
                                    <td className="px-2">{on && <Octaves after={on} />}</td>
                                    <Cell text={percent(on?.grainKept)} />
                                    <Cell text={percent(on?.shadowKept)} />
                                    <td className="figure-cell px-2 text-right whitespace-nowrap">
                                        {on?.banded && <Mark kind="caution" />} {(on?.bandingAdded ?? 0).toFixed(2)}
                                    </td>
                                    <Cell
                                        text={
                                            on === undefined
                                                ? '–'
                                                : `${(100 * on.toneShift).toFixed(1)} %`.replace('-', '−')
                                        }
                                        title={on?.tone}
                                    />
                                    <td className="pr-3 pl-2 text-right">
                                        <a
                                            href={`/compare/tests/${test}?a=cut&b=${place}-${on?.screen}`}
                                            onClick={follow}
                                            aria-label={`Look at ${name} beside the cut`}
                                            className="text-rust hover:underline"
                                        >
                                            look
                                        </a>
                                    </td>
                                </tr>
                            );
                        })}
                    </tbody>
                </table>
            </div>
            <Sound result={result} />
        </>
    );
}

/** What the host makes of the sound: said once where it makes the same of all. */
function Sound({ result }: { result: Transit }) {
    const texts = [...new Set(result.candidates.flatMap(({ sound }) => (sound ? [sound.text] : [])))];
    const named = (text: string) =>
        texts.length === 1
            ? text
            : `${result.candidates
                  .filter(({ sound }) => sound?.text === text)
                  .map(({ name }) => name)
                  .join(', ')}: ${text}`;
    return (
        <ul aria-label="Sound" className="mt-2 text-[12.5px] text-soft">
            {texts.map((text) => (
                <li key={text} title={result.measures.sound}>
                    {named(text)}
                </li>
            ))}
        </ul>
    );
}

function Cell({ text, title }: { text: string; title?: string | undefined }) {
    return (
        <td className="figure-cell px-2 text-right whitespace-nowrap" title={title}>
            {spaced(text)}
        </td>
    );
}

/** How much of the detail is left by its size, the finest at the left. */
function Octaves({ after }: { after: After }) {
    const spoken = after.detailKept.map(percent).join(', ');
    const bar = (octave: number, height: number) => `M${9 * octave} 15v${-height}h8v${height}z`;
    return (
        <svg
            role="img"
            aria-label={`Detail kept from fine to coarse: ${spoken}`}
            width={9 * after.detailKept.length - 1}
            height={15}
            className="ml-auto block"
        >
            <title>{spoken}</title>
            <path className="fill-line" d={after.detailKept.map((_, octave) => bar(octave, 15)).join('')} />
            <path
                className="fill-note"
                d={after.detailKept.map((share, octave) => bar(octave, 15 * (share ?? 0))).join('')}
            />
        </svg>
    );
}
