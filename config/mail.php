<?php

declare(strict_types=1);

// Mails go to the log unless a mailer is set up.
return ['default' => env('MAIL_MAILER', 'log'), 'from' => ['address' => env('MAIL_FROM_ADDRESS', 'studio@localhost.invalid'), 'name' => 'Knotty Prism']];
