<?php

declare(strict_types=1);

// Pictures are handed out by their controller, to their owner only; no disk serves files by itself.
return ['disks' => ['local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false]]];
