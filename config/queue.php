<?php

declare(strict_types=1);

return ['default' => env('QUEUE_CONNECTION', 'database')];
