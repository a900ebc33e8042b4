/** Files of a library that are not in their format: the others work without them. */
export function BrokenFiles({ files }: { files: { file: string; fault: string }[] }) {
    return files.length === 0 ? null : (
        <ul role="alert" className="mb-4 rounded border border-stop bg-stop-wash px-3 py-2 text-[13px]">
            {files.map(({ file, fault }) => (
                <li key={file}>{fault}</li>
            ))}
        </ul>
    );
}
