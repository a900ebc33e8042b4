import { Link } from 'react-router';
import type { Lesson } from '../api/types';
import { Figures } from '../ui/Figures';

const signed = (value: number, digits: number, unit: string) =>
    `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(digits)} ${unit}`;

const cell = 'px-2 py-[3px] text-right';
const head = 'px-2 py-1.5 text-right font-normal text-soft';

/** An upload with what came back of it, and what the stand-in makes of the same. */
export function LessonTable({ lesson, files = [] }: { lesson: Lesson; files?: string[] }) {
    const pathOf = (name: string) => files.find((path) => path.endsWith(`/${name}`));
    const own = pathOf(lesson.upload.name);
    const { upload, sampled } = lesson;
    const looked = sampled.frames < sampled.of ? ` · ${sampled.frames} of ${sampled.of} frames looked at` : '';
    return (
        <table
            className="mb-4 w-full table-fixed border-t-2 border-rule"
            aria-label={`What came back of ${upload.name}`}
        >
            <caption className="truncate py-1.5 text-left" title={upload.name}>
                <span className="font-medium">{upload.name}</span>{' '}
                <Figures
                    className="text-soft"
                    text={`· the upload: ${upload.frame}, ${upload.frameRate} fps, ${upload.hdr ? 'HDR, ' : ''}${upload.codec}${looked}`}
                />
            </caption>
            <thead>
                <tr className="border-b border-rule">
                    <th scope="col" className={`${head} text-left!`}>
                        Came back
                    </th>
                    <th scope="col" className={`${head} w-[104px] text-left!`}>
                        Codec
                    </th>
                    <th scope="col" className={`${head} w-[52px]`}>
                        Lines
                    </th>
                    <th scope="col" className={`${head} w-[72px]`}>
                        kb/s
                    </th>
                    <th scope="col" className={`${head} w-[72px] whitespace-nowrap`} title="Of the upload">
                        SSIM dB
                    </th>
                    <th scope="col" className={`${head} w-[132px]`}>
                        The stand-in
                    </th>
                </tr>
            </thead>
            <tbody>
                {lesson.renditions.map((one) => (
                    <tr key={one.name} className="border-b border-line">
                        <th scope="row" className={`${cell} truncate text-left! font-normal`} title={one.name}>
                            <Look at={[own, pathOf(one.name)]} name={one.name} />
                        </th>
                        <td className={`${cell} truncate text-left!`} title={`${one.codec} ${one.structure ?? ''}`}>
                            {one.codec}
                        </td>
                        <td className={cell}>
                            <Figures text={String(one.shorterSide)} />
                        </td>
                        <td className={cell}>
                            <Figures text={one.kbps.toFixed(0)} />
                        </td>
                        <td className={cell}>
                            <Figures text={one.ssimDb.toFixed(2)} />
                        </td>
                        <td className={cell}>
                            {one.standIn === null ? (
                                '–'
                            ) : (
                                <Figures
                                    text={`${signed(100 * one.standIn.rateOff, 1, '%')}, ${signed(one.standIn.ssimOff, 2, 'dB')}`}
                                />
                            )}
                        </td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

/** The name of a file; where both are still known, a way to look at them beside each other. */
function Look({ at, name }: { at: (string | undefined)[]; name: string }) {
    const files = at.filter((path) => path !== undefined);
    return files.length < 2 ? (
        name
    ) : (
        <Link
            to={`/compare/files?${new URLSearchParams(files.map((file) => ['file', file]))}`}
            title={`Look at ${name} beside the upload`}
            className="hover:underline"
        >
            {name}
        </Link>
    );
}
