<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Outer Crate</title>
    <link rel="icon" href="data:,">
    <script src="/theme.js"></script>
    @vite(['resources/css/app.css', 'resources/js/main.tsx'])
</head>
<body>
    <div id="page"><noscript>Outer Crate needs JavaScript.</noscript></div>
</body>
</html>
