<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\WeekPaletteResource;
use App\Models\DrillRound;
use App\Models\Paper;
use App\Models\User;
use App\Studio\Practice\WeekPalettes;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;
use Prism\Layering\Stack;

/** The limited palette of the week. */
final class WeekPaletteController
{
    public function __construct(private readonly WeekPalettes $weeks)
    {
    }

    #[OA\Get(path: '/api/practice/week', operationId: 'weekPalette', responses: [
        new OA\Response(response: 200, description: 'Six pencils and a zone to plan with them', content: new OA\JsonContent(ref: '#/components/schemas/WeekPalette')),
        new OA\Response(response: 422, description: 'There is no photo or no such box', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function show(#[CurrentUser] User $user): WeekPaletteResource
    {
        $paper = self::paper($user);

        return $this->told($this->weeks->current($user, $paper), $paper);
    }

    #[OA\Post(path: '/api/practice/week', operationId: 'planWithWeekPalette', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['light', 'middle', 'dark'], properties: [
        new OA\Property(property: 'light', type: 'string', description: 'stack notation'),
        new OA\Property(property: 'middle', type: 'string'),
        new OA\Property(property: 'dark', type: 'string'),
    ])), responses: [
        new OA\Response(response: 200, description: 'With what the engine lays', content: new OA\JsonContent(ref: '#/components/schemas/WeekPalette')),
        new OA\Response(response: 409, description: 'It is planned already', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function store(Request $request, #[CurrentUser] User $user): WeekPaletteResource
    {
        $text = ['required', 'string', 'max:400'];
        $given = $request->validate(['light' => $text, 'middle' => $text, 'dark' => $text], ['*.required' => 'Say what you would lay for the :attribute.', '*.max' => 'No stack is that long.']);
        $paper = self::paper($user);
        $round = $this->weeks->current($user, $paper);

        return $this->told($this->weeks->answer($round, array_map(static fn (string $stack): Stack => Stack::parse($stack), $given), $paper), $paper);
    }

    private function told(DrillRound $round, Paper $paper): WeekPaletteResource
    {
        return new WeekPaletteResource(['round' => $round, 'parts' => $this->weeks->parts($round, $paper)]);
    }

    private static function paper(User $user): Paper
    {
        $papers = Paper::seenBy($user);
        $papers->orderBy('id');

        return $user->paper ?? $papers->firstOrFail();
    }
}
