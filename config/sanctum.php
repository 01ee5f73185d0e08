<?php

declare(strict_types=1);

// Tokens are for scripts; the page has its session, and neither opens what the other does.
return [
    'stateful' => [],
    'routes' => false,
    'guard' => [],
    'expiration' => null,
    // By it a token is known where it was left by mistake.
    'token_prefix' => 'prism_',
];
