import { rolldown } from 'rolldown';

/** A module of the page as the browser gets it, types taken out. */
export async function load(path) {
    const bundle = await rolldown({
        input: new URL(`../../resources/js/${path}`, import.meta.url).pathname,
        logLevel: 'silent',
    });
    const { output } = await bundle.generate({ format: 'esm' });
    await bundle.close();
    return import(`data:text/javascript,${encodeURIComponent(output[0].code)}`);
}
