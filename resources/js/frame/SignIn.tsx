import { type FormEvent, useState } from 'react';
import { ApiError, api } from '../api/client';
import { letIn, useAsksSignIn } from '../api/signIn';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Trouble } from '../ui/States';

/** Over the page, which stays as it is beneath: what was asked in vain goes on once somebody has signed in. */
export function SignIn() {
    return useAsksSignIn() ? <Form /> : null;
}

function Form() {
    const [name, setName] = useState('');
    const [password, setPassword] = useState('');
    const [problem, setProblem] = useState<string | null>(null);
    const [isAsking, setAsking] = useState(false);

    async function submit(event: FormEvent) {
        event.preventDefault();
        setAsking(true);
        try {
            await api.signIn(name, password);
            letIn();
        } catch (error) {
            setPassword('');
            setProblem(error instanceof ApiError ? error.message : 'This could not be asked. Try again.');
        } finally {
            setAsking(false);
        }
    }

    return (
        <div
            role="dialog"
            aria-modal="true"
            aria-label="Sign in"
            className="fixed inset-0 z-50 overflow-y-auto bg-page"
        >
            <form onSubmit={submit} className="mx-auto mt-[22vh] w-[280px] pb-10">
                <h1 className="mb-1 font-stencil text-[27px] leading-none tracking-[.06em]">OUTER CRATE</h1>
                <p className="mb-6 text-soft">Sign in to open Outer Crate.</p>
                <div className="grid gap-3">
                    <Field label="Name" value={name} onChange={setName} focused autoComplete="username" />
                    <Field
                        label="Password"
                        type="password"
                        value={password}
                        onChange={setPassword}
                        autoComplete="current-password"
                    />
                    {problem !== null && <Trouble message={problem} />}
                    <Button
                        type="submit"
                        kind="primary"
                        className="h-8"
                        disabled={isAsking || name === '' || password === ''}
                    >
                        Sign in
                    </Button>
                </div>
                <p className="mt-6 text-[12px] text-faint">
                    Users are added on its own machine:
                    <br />
                    <code className="figure">bin/crate users add NAME</code>
                </p>
            </form>
        </div>
    );
}
