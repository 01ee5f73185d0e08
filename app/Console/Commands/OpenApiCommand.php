<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use OpenApi\Annotations\Operation;
use OpenApi\Annotations\Response as Annotated;
use OpenApi\Attributes\JsonContent;
use OpenApi\Attributes\Post;
use OpenApi\Attributes\Response;
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
        $openApi = Generator::scan([app_path('Http')], ['version' => '3.0.0', 'validate' => true]) ?? throw new \RuntimeException('The code has no OpenAPI attributes.');
        foreach ($openApi->paths as $path) {
            foreach ([$path->get, $path->put, $path->post, $path->patch, $path->delete] as $operation) {
                if (! Generator::isDefault($operation)) {
                    self::refuse($operation, $path->path);
                }
            }
        }

        return $openApi->toJson()."\n";
    }

    /** Adds how an operation may refuse, where its attributes do not say so themselves: all do so in one shape. */
    private static function refuse(Operation $operation, string $path): void
    {
        $isOpen = str_starts_with($path, '/api/session') || str_starts_with($path, '/api/account/') || ($path === '/api/account' && $operation instanceof Post);
        $ways = array_filter([
            400 => Generator::isDefault($operation->requestBody) ? null : 'No JSON',
            401 => $isOpen ? null : 'Nobody is signed in',
            404 => str_contains($path, '{') || ! Generator::isDefault($operation->requestBody) ? 'Not in this studio' : null,
            422 => Generator::isDefault($operation->requestBody) && ! str_contains($path, '{') && Generator::isDefault($operation->parameters) ? null : 'Refused',
            429 => 'Too often; Retry-After says when again',
            503 => 'The studio is away; Retry-After says when again',
        ]);
        $known = array_map(static fn (Annotated $response): string => (string) $response->response, $operation->responses);
        foreach ($ways as $status => $description) {
            if (! in_array((string) $status, $known, true)) {
                $operation->responses[] = new Response(response: $status, description: $description, content: new JsonContent(ref: '#/components/schemas/Problem'));
            }
        }
    }
}
