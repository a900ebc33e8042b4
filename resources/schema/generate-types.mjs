// Writes resources/js/api/types.ts from the schemas in this folder. `--check` only says whether it is current.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { compile } from 'json-schema-to-typescript';

const folder = new URL('./', import.meta.url);
const target = new URL('../js/api/types.ts', import.meta.url);
const names = readdirSync(folder)
    .filter((name) => name.endsWith('.json'))
    .sort();

// One schema that points to all of them, so that each type is written once.
const all = {
    title: 'Contract',
    type: 'object',
    properties: Object.fromEntries(names.map((name) => [name.replace('.json', ''), { $ref: name }])),
    required: names.map((name) => name.replace('.json', '')),
    additionalProperties: false,
};
const types = await compile(all, 'Contract', {
    cwd: folder.pathname,
    additionalProperties: false,
    enableConstEnums: false,
    bannerComment: '/* Generated from resources/schema by generate-types.mjs. Do not edit. */',
    style: { singleQuote: true, tabWidth: 4, printWidth: 120 },
});

// Operations of the API by method and path, as resources/openapi.json has them.
const api = JSON.parse(readFileSync(new URL('../openapi.json', import.meta.url), 'utf8'));
const typeOf = (schema) => `Contract['${schema.split('/').pop()}']`;
const json = (content) => content?.['application/json']?.schema?.$ref;
const operations = Object.entries(api.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, operation]) => {
        const [status] = Object.keys(operation.responses).filter((name) => name !== 'default');
        const answer = json(operation.responses[status].content);
        const body = operation.requestBody?.content;
        const asked = json(body);
        const query = (operation.parameters ?? []).filter(({ in: where }) => where === 'query');
        const names = query.map(({ name }) => `'${name.replace('[]', '')}'`).join(' | ') || 'never';
        const required = asked ? typeOf(asked) : body ? 'Blob' : 'undefined';
        const request = operation.requestBody?.required === false ? `${required} | undefined` : required;
        const answered = answer ? typeOf(answer) : 'undefined';
        const key = `${method.toUpperCase()} ${path.slice(1)}`;
        return `    '${key}': { answer: ${answered}; request: ${request}; query: ${names} };`;
    }),
);
const written = `${types}
/** What each operation of the API takes and answers. */
export interface Operations {
${operations.join('\n')}
}
`;

if (process.argv.includes('--check')) {
    const current = readFileSync(target, 'utf8') === written;
    console.log(current ? 'current' : 'resources/js/api/types.ts is not current: run npm run types');
    process.exit(current ? 0 : 1);
}
writeFileSync(target, written);
