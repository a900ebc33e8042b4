import type { CellLook } from '..';
import { BitrateEditor } from './BitrateEditor';

export const cell: CellLook = {
    name: 'bitrate',
    Editor: BitrateEditor,
    // The host's table stands beside the figures.
    width: (plan) => (plan.bitrateRow === null ? 340 : 680),
};
