<?php

declare(strict_types=1);

// Pictures are handed out by their controller, to their owner only; no disk serves files by itself.
return ['disks' => [
    'local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false],
    // Where several machines share what artists made (PRISM_STORE=bucket): any store that speaks S3.
    'bucket' => [
        'driver' => 's3',
        'key' => env('PRISM_BUCKET_KEY'),
        'secret' => env('PRISM_BUCKET_SECRET'),
        'region' => env('PRISM_BUCKET_REGION', 'eu-central-1'),
        'bucket' => env('PRISM_BUCKET'),
        'endpoint' => env('PRISM_BUCKET_ENDPOINT'),
        // The bucket in the path of an address, not in its host.
        'use_path_style_endpoint' => (bool) env('PRISM_BUCKET_IN_PATH', false),
        // Stores that speak S3 know no newer checksums than these.
        'request_checksum_calculation' => 'when_required',
        'response_checksum_validation' => 'when_required',
        'http' => ['connect_timeout' => 3, 'timeout' => 60],
        'retries' => 2,
        // What is copied is as private as all else: nobody asks the store who may see it, which not every store can tell.
        'retain_visibility' => false,
        'throw' => true,
    ],
]];
