import type { Taught } from '../api/types';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { LessonTable } from './LessonTable';

const cell = 'px-2 py-[3px] text-right';
const head = 'px-2 py-1.5 text-right font-normal text-soft';

/** What was learnt of a host: its tiers and ladder with their error, and the files that show it. */
export function Learnt({ taught, files }: { taught: Taught; files: string[] }) {
    return (
        <div className="mt-5 text-[13px]">
            <p className="max-w-[900px] leading-[18px]">
                <Figures text={`${taught.words} ${taught.nearness}`} />
            </p>
            <Points taught={taught} />
            <div className="mt-4 grid grid-cols-[minmax(0,5fr)_minmax(0,6fr)] items-start gap-x-8">
                <section aria-label="What it does, as learnt">
                    <h2 className="mb-1 font-medium">What it does, as learnt</h2>
                    {taught.tiers.map((tier) => (
                        <Tier key={tier.name} tier={tier} />
                    ))}
                </section>
                <section aria-label="The files that show it">
                    <h2 className="mb-1 font-medium">
                        The files that show it{' '}
                        <span className="font-normal text-soft">· beside each, what the stand-in makes</span>
                    </h2>
                    {taught.lessons.map((lesson) => (
                        <LessonTable key={lesson.upload.name} lesson={lesson} files={files} />
                    ))}
                </section>
            </div>
        </div>
    );
}

/** What does not fit, what the borders rest on, and what would tell more. */
function Points({ taught }: { taught: Taught }) {
    const points = [
        ...taught.remarks.map((text) => ({ kind: 'caution' as const, text })),
        ...(taught.bordersHeld
            ? [{ kind: 'done' as const, text: 'The borders that were known agree with these files, and stay.' }]
            : []),
        ...taught.next.map((text) => ({ kind: 'note' as const, text })),
    ];
    return points.length === 0 ? null : (
        <ul aria-label="What to know" className="mt-2 max-w-[900px]">
            {points.map(({ kind, text }) => (
                <li key={text} className="flex items-baseline gap-2 leading-[19px]">
                    <Mark kind={kind} />
                    <Figures text={text} />
                </li>
            ))}
        </ul>
    );
}

function Tier({ tier }: { tier: Taught['tiers'][number] }) {
    return (
        <table className="mb-4 w-full border-t-2 border-rule" aria-label={`Tier ${tier.name}`}>
            <caption className="py-1.5 text-left">
                <span className="font-medium">{tier.name}</span>{' '}
                <Figures className="text-soft" text={`· ${tier.who}${tier.taught ? '' : ' · stays as it was'}`} />
            </caption>
            <thead>
                <tr className="border-b border-rule">
                    <th scope="col" className={`${head} text-left!`}>
                        Lines
                    </th>
                    <th scope="col" className={`${head} text-left!`}>
                        Codec
                    </th>
                    <th scope="col" className={head}>
                        Average
                    </th>
                    <th scope="col" className={head} title="From one keyframe to the next">
                        Keyframes
                    </th>
                    <th scope="col" className={head} title="How long the encoder searches">
                        Speed
                    </th>
                    <th scope="col" className={head} title="How far the stand-in is off, at most: rate, SSIM">
                        Off by
                    </th>
                </tr>
            </thead>
            <tbody>
                {tier.ladder.map((rung) => (
                    <tr
                        key={rung.shorterSide}
                        className={`border-b border-line ${rung.files === 0 ? 'text-soft' : ''}`}
                    >
                        <th scope="row" className={`${cell} text-left! font-normal`}>
                            <Figures text={String(rung.shorterSide)} />
                        </th>
                        <td className={`${cell} text-left!`}>{rung.codecName}</td>
                        <td className={cell}>
                            <Figures text={rung.rate} />
                        </td>
                        <td className={cell} title={rung.keyframesSeen ? undefined : 'No file is long enough to tell'}>
                            <Figures
                                text={`${rung.keyframesSeen || rung.files === 0 ? '' : '? '}${rung.keyframeSeconds} s`}
                            />
                        </td>
                        <td className={cell}>{rung.speed}</td>
                        <td className={cell}>
                            {rung.rateOff === null || rung.ssimOff === null ? (
                                <span title="No file shows it: it stays as it was">as it was</span>
                            ) : (
                                <Figures text={`${(100 * rung.rateOff).toFixed(1)} %, ${rung.ssimOff.toFixed(2)} dB`} />
                            )}
                        </td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}
