import { Link } from 'react-router';
import { Blank } from '../ui/States';

export function NotHere() {
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
