/** How the cells of the sheet's fixed parts look. */
export const head = 'sticky left-0 z-10 bg-page px-3 text-soft border-b border-line';

export const cutCell = 'sticky left-[112px] z-10 bg-sunk border-l border-b border-line px-3 truncate max-w-0';

export const result = 'border-l border-b border-line bg-surface px-3 font-medium whitespace-nowrap';
