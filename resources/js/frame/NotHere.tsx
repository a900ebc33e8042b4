import { Link } from 'react-router';
import { Blank } from '../ui/States';
import { useTitle } from '../ui/useTitle';

export function NotHere() {
    useTitle('Not here');
    return (
        <Blank
            title="There is no such page"
            action={
                <Link to="/" className="text-rust underline underline-offset-4">
                    Go to the shelf
                </Link>
            }
        >
            The address may be from an older version.
        </Blank>
    );
}
