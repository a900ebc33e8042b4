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

if (process.argv.includes('--check')) {
    const current = readFileSync(target, 'utf8') === types;
    console.log(current ? 'current' : 'resources/js/api/types.ts is not current: run npm run types');
    process.exit(current ? 0 : 1);
}
writeFileSync(target, types);
