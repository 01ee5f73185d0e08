<?php

declare(strict_types=1);

// What differs from the framework's own sentences.
return [
    'custom' => [
        'email' => [
            'email' => 'This is no e-mail address; one is written like ana@example.org.',
            'unique' => 'There is a studio with this e-mail already. Sign in instead.',
        ],
        'password' => [
            'confirmed' => 'The two passwords differ; type the same one twice.',
        ],
    ],
    'attributes' => [
        'email' => 'e-mail',
        'password_confirmation' => 'password again',
    ],
];
