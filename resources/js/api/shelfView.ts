/** Selects and sorts cuts. The latest come first where `sort` is missing. */
export type ShelfView = { search?: string; sort?: string; down?: '1' };
