<?php

declare(strict_types=1);

return [
    'name' => 'Knotty Prism',
    'timezone' => 'UTC',
];
