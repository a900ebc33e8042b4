import type { CellLook } from '..';
import { SizeDrawing } from './SizeDrawing';

export const cell: CellLook = { name: 'frameSize', Drawing: SizeDrawing };
