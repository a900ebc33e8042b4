/** Reads a typed number. Anything else becomes -1, which the server refuses with a reason. */
export const numberIn = (text: string) => {
    const number = Number(text.trim().replace(',', '.'));
    return Number.isFinite(number) ? number : -1;
};
