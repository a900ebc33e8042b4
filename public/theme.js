// Before the first paint, so that a dark room is not flashed at.
document.documentElement.dataset.theme =
    localStorage.getItem('theme') ?? (matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light');
