import type { CellLook } from '..';
import { WholeName } from './WholeName';

export const cell: CellLook = { name: 'file', Footer: WholeName };
