<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Middleware\OnlyOnce;
use Illuminate\Http\JsonResponse;

/** The document of what scripts may ask: that of the page, at the addresses of version 1, by a token. */
final class ScriptDocument
{
    /** The page's alone: who one is, and what others are shown. */
    private const PAGE = '~^/api/(session|account|shared)(/|$)~';

    private const WRITES = ['post', 'put', 'patch', 'delete'];

    public function __invoke(): JsonResponse
    {
        $document = json_decode((string) file_get_contents(base_path('docs/openapi.json')), true, flags: JSON_THROW_ON_ERROR);

        return new JsonResponse(self::of($document), 200, ['Cache-Control' => 'public, max-age=3600'], JSON_UNESCAPED_SLASHES);
    }

    /**
     * @param  array<string, mixed>  $document  of OpenAPI 3, of the page
     * @return array<string, mixed>
     */
    public static function of(array $document): array
    {
        $paths = [];
        foreach ($document['paths'] as $path => $operations) {
            if (preg_match(self::PAGE, $path) === 1) {
                continue;
            }
            foreach (array_intersect(self::WRITES, array_keys($operations)) as $method) {
                $operations[$method]['parameters'][] = ['name' => OnlyOnce::HEADER, 'in' => 'header', 'required' => false, 'description' => 'of your own making: sent twice it is done once', 'schema' => ['type' => 'string', 'maxLength' => 80]];
            }
            $paths['/api/v1'.substr($path, strlen('/api'))] = $operations;
        }
        $document['components']['securitySchemes'] = ['token' => ['type' => 'http', 'scheme' => 'bearer', 'description' => 'made in Studio, under You']];

        return ['security' => [['token' => []]], 'paths' => $paths] + $document;
    }
}
