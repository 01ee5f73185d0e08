<?php

declare(strict_types=1);

return [
    // Whether an artist has to show that their e-mail is theirs before anything goes out of the studio.
    'confirm_addresses' => (bool) env('PRISM_CONFIRM_ADDRESSES', false),
    // The demo studio: seeded once, and signed in to by one click.
    'demo' => (bool) env('PRISM_DEMO', false),
    'demo_email' => 'demo@studio.invalid',

    // Addresses of the proxies before this server, whose word on host and client is taken; none unless named.
    'proxies' => array_values(array_filter(explode(',', (string) env('PRISM_PROXIES', '')))),

    // One piece of the demo is drawn by the simulated hand, and compared; after the start, by the queue.
    'demo_drawn' => (bool) env('PRISM_DEMO_DRAWN', true),

    // A studio of one's own for each who opens the demo, filled from it; else all are in the same one.
    'demo_copies' => (bool) env('PRISM_DEMO_COPIES', false),

    // Where pictures and precomputed libraries are kept.
    'storage' => env('PRISM_STORAGE', storage_path('app')),

    // A disk (config/filesystems.php) on which all machines keep what artists made; the folder then has what was asked for here. None: the folder is all there is.
    'store' => env('PRISM_STORE') ?: null,

    // How far replicas of the database that are read from (DB_READ_HOSTS) may be behind: so long after a change an artist's work is read where it was written.
    'replica_seconds' => (int) env('PRISM_REPLICA_SECONDS', 30),

    // Where backups are kept, each night one; none are made where it is empty.
    'backups' => (string) env('PRISM_BACKUPS', ''),

    // What the pictures of one artist may take.
    'gigabytes_of_one' => (float) env('PRISM_GIGABYTES_OF_ONE', 10),

    // What stays free on the disk: below it no more pictures are taken in.
    'gigabytes_spare' => (float) env('PRISM_GIGABYTES_SPARE', 0.5),

    // What may lie beside the photos of all artists that can be made anew: drawings, plans. What was looked at last stays.
    'gigabytes_made' => (float) env('PRISM_GIGABYTES_MADE', 50),

    // Whether large answers are kept until their artist changes anything.
    'keep_answers' => (bool) env('PRISM_KEEP_ANSWERS', true),

    // Whether a queue worker warms up before its first work.
    'warm_up' => (bool) env('PRISM_WARM_UP', true),

    'photo' => [
        'max_megabytes' => 40,
        // Checked before a picture is decoded.
        'max_megapixels' => 60,
        // Long edge of the working picture that is sampled and shown.
        'working_edge' => 1600,
        // Long edge of the picture that is shown when one looks closely.
        'large_edge' => 2800,
    ],
];
