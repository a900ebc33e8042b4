import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import { useMachine } from '../api/queries';
import type { Settings, SettingsRequest } from '../api/types';
import { Accounts } from '../dispatch/Accounts';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Failed, Loading, Trouble } from '../ui/States';
import { Title } from '../ui/Title';
import { useTitle } from '../ui/useTitle';
import { ActivityLog } from './ActivityLog';
import { numberIn } from './numberIn';
import { play } from './play';
import { Retention } from './Retention';
import { TypedSetting } from './TypedSetting';
import { WatchFolders } from './WatchFolders';
import { Workers } from './Workers';

type Name = keyof SettingsRequest;

/** What holds for this machine: where files come from and go, how much is done at once, and what happens at the end. */
export function SettingsPage() {
    const client = useQueryClient();
    const { data, error, refetch } = useQuery({ queryKey: keys.settings(), queryFn: api.settings });
    const save = useMutation({
        mutationFn: api.saveSettings,
        onSuccess: (now) => {
            client.setQueryData(keys.settings(), now);
            for (const queryKey of [keys.machine(), keys.media(), keys.runs(), keys.sheets()]) {
                client.invalidateQueries({ queryKey });
            }
        },
    });
    useTitle('Settings');
    if (error && data === undefined) {
        return <Failed error={error} retry={() => refetch()} />;
    }
    if (data === undefined) {
        return <Loading what="the settings" />;
    }
    const set = (change: SettingsRequest) => save.mutate(change);
    const asked = save.variables === undefined ? [] : Object.keys(save.variables);
    const row = (name: Name, label: string, about: ReactNode, editor: ReactNode) => (
        <Row
            key={name}
            label={label}
            about={about}
            changed={data.changed.includes(name)}
            putBack={() => set({ [name]: null })}
            trouble={save.error && asked.includes(name) ? save.error : null}
        >
            {editor}
        </Row>
    );
    return (
        <div className="max-w-[1080px] px-5 py-4">
            <Title about="For this machine and all sheets" more={<Version />}>
                Settings
            </Title>
            <dl className="border-t-2 border-rule text-[13px]">
                {row(
                    'deliveries',
                    'Deliveries',
                    <VolumeText volume={data.deliveriesVolume} />,
                    <TypedSetting
                        key={data.deliveries}
                        label="Folder for deliveries"
                        value={data.deliveries}
                        save={(deliveries) => set({ deliveries })}
                    />,
                )}
                {row(
                    'mediaFolders',
                    'Media folders',
                    'Cuts come from these folders. Files stay in place and are only read. One folder a line.',
                    <TypedSetting
                        key={data.mediaFolders.join(' ')}
                        label="Media folders"
                        lines={Math.max(2, data.mediaFolders.length)}
                        value={data.mediaFolders.join('\n')}
                        save={(text) => set({ mediaFolders: text.split('\n') })}
                    />,
                )}
                {row(
                    'lineSpeed',
                    'Upload speed',
                    'In Mb/s. Updated after each upload.',
                    <TypedSetting
                        key={data.lineSpeed}
                        label="Line speed in Mb/s"
                        narrow
                        value={String(data.lineSpeed / 1e6)}
                        save={(text) => set({ lineSpeed: Math.round(numberIn(text) * 1e6) })}
                    />,
                )}
                {row(
                    'sendSpeed',
                    'Upload limit',
                    'In Mb/s, to leave some of the line to others. 0 for no limit.',
                    <TypedSetting
                        key={data.sendSpeed}
                        label="Speed of sending in Mb/s"
                        narrow
                        value={String(data.sendSpeed / 1e6)}
                        save={(text) => set({ sendSpeed: Math.round(numberIn(text) * 1e6) })}
                    />,
                )}
                {row(
                    'sendHours',
                    'Upload hours',
                    <>Time zone: {data.zone}. Uploads pause outside these hours.</>,
                    <TypedSetting
                        key={data.sendHours}
                        label="Hours of sending"
                        narrow
                        value={data.sendHours}
                        placeholder="any hour"
                        save={(sendHours) => set({ sendHours })}
                    />,
                )}
                {row(
                    'runsAtOnce',
                    'Runs at once',
                    <>
                        This machine has <Figures text={String(data.cores)} /> cores. One encode uses about four.
                    </>,
                    <TypedSetting
                        key={data.runsAtOnce}
                        label="Runs at once"
                        narrow
                        value={String(data.runsAtOnce)}
                        save={(text) => set({ runsAtOnce: numberIn(text) })}
                    />,
                )}
                {row(
                    'endSound',
                    'At the end',
                    <Notifications />,
                    <span className="flex items-center gap-2">
                        <select
                            aria-label="Sound at the end of the queue"
                            value={data.endSound}
                            onChange={(event) => {
                                set({ endSound: event.target.value });
                                play(event.target.value);
                            }}
                            className="h-7 rounded border border-line bg-page px-1.5"
                        >
                            {data.sounds.map((sound) => (
                                <option key={sound} value={sound}>
                                    {sound === 'none' ? 'No sound' : sound[0]?.toUpperCase() + sound.slice(1)}
                                </option>
                            ))}
                        </select>
                        <Button kind="quiet" disabled={data.endSound === 'none'} onClick={() => play(data.endSound)}>
                            Hear it
                        </Button>
                    </span>,
                )}
                {row(
                    'webhook',
                    'Webhook',
                    'Receives JSON when the queue is empty. Retried if it does not answer.',
                    <TypedSetting
                        key={data.webhook}
                        label="Address of the webhook"
                        value={data.webhook ?? ''}
                        placeholder="https://…"
                        save={(webhook) => set({ webhook })}
                    />,
                )}
                {row(
                    'webhookSecret',
                    'Webhook secret',
                    data.webhookSecret
                        ? 'Set, and never shown. Signs the notification (HMAC-SHA-256).'
                        : 'Signs the notification (HMAC-SHA-256). 32 characters or more.',
                    <TypedSetting
                        label="Secret of the webhook"
                        secret
                        value=""
                        placeholder={data.webhookSecret ? '••••••••' : ''}
                        save={(webhookSecret) => set({ webhookSecret })}
                    />,
                )}
                {row(
                    'signInHere',
                    'Sign-in here',
                    'As soon as a user exists, everyone signs in. Off: no sign-in on this machine. Keep it on behind a proxy.',
                    <label className="flex h-7 items-center gap-2">
                        <input
                            type="checkbox"
                            checked={data.signInHere}
                            onChange={(event) => set({ signInHere: event.target.checked })}
                        />
                        Require sign-in on this machine
                    </label>,
                )}
            </dl>
            <Retention kept={data.retention} save={save} />
            <Accounts />
            <WatchFolders />
            <Workers />
            <ActivityLog />
        </div>
    );
}

interface RowProps {
    label: string;
    about: ReactNode;
    changed: boolean;
    putBack: () => void;
    trouble: Error | null;
    children: ReactNode;
}

function Row({ label, about, changed, putBack, trouble, children }: RowProps) {
    return (
        <div className="grid grid-cols-[140px_minmax(0,420px)_minmax(0,1fr)_80px] items-start gap-x-5 border-b border-line py-2.5">
            <dt className="pt-1 font-medium">{label}</dt>
            <dd>
                {children}
                {trouble && (
                    <div className="mt-1.5">
                        <Trouble message={trouble.message} />
                    </div>
                )}
            </dd>
            <dd className="pt-1 leading-[18px] text-soft">{about}</dd>
            <dd className="text-right">
                {changed && (
                    <Button kind="quiet" onClick={putBack} aria-label={`Put ${label} back`} title="As it is configured">
                        Put back
                    </Button>
                )}
            </dd>
        </div>
    );
}

function VolumeText({ volume }: { volume: Settings['deliveriesVolume'] }) {
    return (
        <>
            Packed files go here, one folder a cut.{' '}
            {volume.isThere ? (
                <Figures
                    text={[volume.freeLabel && `${volume.freeLabel} free`, volume.fileSystem]
                        .filter(Boolean)
                        .join(' · ')}
                />
            ) : (
                'It is not there yet, and is made with the first file.'
            )}
        </>
    );
}

/** Whether the browser may say it when the window is not in sight. */
function Notifications() {
    if (typeof Notification === 'undefined' || Notification.permission === 'denied') {
        return <>A sound when all of the queue is done. This browser shows no notifications.</>;
    }
    return Notification.permission === 'granted' ? (
        <>A sound and a notification when all of the queue is done.</>
    ) : (
        <>
            A sound when all of the queue is done.{' '}
            <button
                type="button"
                className="text-rust underline underline-offset-3"
                onClick={() => Notification.requestPermission()}
            >
                Notify me, too
            </button>
        </>
    );
}

function Version() {
    const { data } = useMachine();
    return (
        data && (
            <p className="ml-auto shrink-0 text-[13px] text-soft">
                Outer Crate {data.version}
                {data.engine && `, FFmpeg ${data.engine}`}
            </p>
        )
    );
}
