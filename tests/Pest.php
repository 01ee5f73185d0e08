<?php

declare(strict_types=1);

use Tests\TestCase;

pest()->extend(TestCase::class)->in('Feature');

require __DIR__.'/Core/studio.php';
require __DIR__.'/Feature/helpers.php';
require __DIR__.'/Feature/archives.php';
