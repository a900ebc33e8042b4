import { api } from '../api/client';
import type { Dispatch, DispatchList } from '../api/types';
import { Segments } from '../ui/Segments';
import { Trouble } from '../ui/States';
import { Captions } from './Captions';
import { Series } from './Series';
import { Tags } from './Tags';
import { Thumbnail } from './Thumbnail';
import { useDetails } from './useDetails';
import type { useDispatchAction } from './useDispatches';

interface Props {
    dispatch: Dispatch;
    questions: DispatchList['questions'];
    templates: DispatchList['templates'];
    act: ReturnType<typeof useDispatchAction>;
}

const answers = [
    { value: 'yes', label: 'Yes' },
    { value: 'no', label: 'No' },
] as const;

/** What is said of the video: kept as it is typed, while it is sent, and told to its host when it is there. */
export function DetailsForm({ dispatch, questions, templates, act }: Props) {
    // As a promise, which is kept also where something else is done with it meanwhile.
    const { details, change, flush, forget } = useDetails(dispatch.details, (change) =>
        act.mutateAsync(() => api.describe(dispatch.id, change)),
    );
    const { takes } = dispatch.account;

    return (
        <section aria-label="Details" className="text-[13px]" onBlur={() => flush()}>
            <div className="mb-2 flex items-center gap-3">
                <h3 className="font-medium">Details</h3>
                <Series dispatch={dispatch} templates={templates} act={act} filled={forget} />
            </div>
            {act.error && <Trouble message={act.error.message} />}
            <Counted label="Title" id="title" has={details.title.length} most={takes.title}>
                <input
                    id="title"
                    value={details.title}
                    placeholder={dispatch.cutName}
                    onChange={(event) => change({ title: event.target.value })}
                    className="h-7 w-full rounded border border-line bg-page px-2"
                />
            </Counted>
            <Counted label="Description" id="description" has={details.description.length} most={takes.description}>
                <textarea
                    id="description"
                    rows={5}
                    value={details.description}
                    onChange={(event) => change({ description: event.target.value })}
                    className="w-full rounded border border-line bg-page px-2 py-1"
                />
            </Counted>
            <Counted label="Tags" id="tags" has={details.tags.join(',').length} most={takes.tags}>
                <Tags tags={details.tags} change={(tags) => change({ tags })} />
            </Counted>
            <div className="mb-3 grid grid-cols-3 gap-3">
                <Choice
                    label="Category"
                    value={details.category}
                    options={takes.categories}
                    change={(category) => change({ category })}
                />
                <Choice
                    label="Licence"
                    value={details.licence}
                    options={takes.licences}
                    change={(licence) => change({ licence })}
                />
                <div>
                    <label htmlFor="language" className="mb-0.5 block text-[12px] text-soft">
                        Language
                    </label>
                    <input
                        id="language"
                        value={details.language}
                        placeholder="en"
                        onChange={(event) => change({ language: event.target.value })}
                        className="h-7 w-full rounded border border-line bg-page px-2"
                    />
                </div>
            </div>
            <fieldset className="mb-3">
                <legend className="mb-1 text-[12px] text-soft">Only you can answer these</legend>
                {questions.map(({ name, question }) => {
                    const answer = details.declarations[name];
                    return (
                        <div key={name} className="flex items-center gap-3 border-b border-line py-1">
                            <span className="flex-1">{question}</span>
                            <Segments
                                label={question}
                                value={answer === undefined ? '' : answer ? 'yes' : 'no'}
                                options={answers}
                                onChange={(next) => change({ declarations: { [name]: next === 'yes' } })}
                            />
                        </div>
                    );
                })}
            </fieldset>
            <Thumbnail dispatch={dispatch} frames={dispatch.cutFrames} act={act} />
            <Captions dispatch={dispatch} act={act} />
        </section>
    );
}

interface CountedProps {
    label: string;
    id: string;
    has: number;
    most: number | null;
    children: React.ReactNode;
}

/** A text with what its host takes of it, counted as it is typed. */
function Counted({ label, id, has, most, children }: CountedProps) {
    const over = most !== null && has > most;
    return (
        <div className="mb-3">
            <div className="mb-0.5 flex text-[12px] text-soft">
                <label htmlFor={id}>{label}</label>
                {most !== null && (
                    <span className={`figure ml-auto ${over ? 'font-semibold text-stop' : ''}`} aria-live="polite">
                        {has} of {most}
                    </span>
                )}
            </div>
            {children}
        </div>
    );
}

interface ChoiceProps {
    label: string;
    value: string;
    options: string[];
    change: (value: string) => void;
}

function Choice({ label, value, options, change }: ChoiceProps) {
    const id = `details-${label}`;
    return (
        <div>
            <label htmlFor={id} className="mb-0.5 block text-[12px] text-soft">
                {label}
            </label>
            <select
                id={id}
                value={value}
                disabled={options.length === 0}
                onChange={(event) => change(event.target.value)}
                className="h-7 w-full rounded border border-line bg-page px-1.5 disabled:text-faint"
            >
                <option value="">not said</option>
                {options.map((option) => (
                    <option key={option}>{option}</option>
                ))}
            </select>
        </div>
    );
}
