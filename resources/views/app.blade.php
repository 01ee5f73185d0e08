<!doctype html>
<html lang="en" data-desk="daylight">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta property="csp-nonce" nonce="{{ request()->attributes->get('csp-nonce') }}" content="{{ request()->attributes->get('csp-nonce') }}">
    <title>Knotty Prism</title>
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    @vite('resources/js/main.tsx')
</head>
<body>
    <div id="root"></div>
    <noscript>Knotty Prism needs JavaScript to run.</noscript>
</body>
</html>
