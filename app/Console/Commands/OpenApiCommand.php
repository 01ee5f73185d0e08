<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use OpenApi\Generator;

/** Writes the OpenAPI file from the attributes in the code. The front end's types are made from it. */
final class OpenApiCommand extends Command
{
    public const PATH = 'docs/openapi.json';

    protected $signature = 'prism:openapi {--out='.self::PATH.'}';

    protected $description = 'Writes the OpenAPI document of the HTTP API';

    public function handle(): int
    {
        $out = $this->option('out');
        file_put_contents(is_string($out) ? $out : self::PATH, self::document());

        return self::SUCCESS;
    }

    public static function document(): string
    {
        $openApi = Generator::scan([app_path('Http')], ['version' => '3.0.0', 'validate' => true]);

        return ($openApi?->toJson() ?? throw new \RuntimeException('The code has no OpenAPI attributes.'))."\n";
    }
}
