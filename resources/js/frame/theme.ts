export type Theme = 'light' | 'dark';

export const currentTheme = (): Theme => (document.documentElement.dataset.theme === 'dark' ? 'dark' : 'light');

export function setTheme(theme: Theme) {
    document.documentElement.dataset.theme = theme;
    localStorage.setItem('theme', theme);
}
