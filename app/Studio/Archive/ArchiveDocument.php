<?php

declare(strict_types=1);

namespace App\Studio\Archive;

use App\Studio\Planning\SchoolChoices;
use JsonSchema\Constraints\Constraint;
use JsonSchema\SchemaStorage;
use JsonSchema\Validator;
use Prism\Exchange\Archive\ArchiveReader;
use Prism\Exchange\Archive\ArchiveRefused;
use Prism\Layering\NotationError;
use Prism\Layering\Stack;
use Prism\Materials\PaperKind;

/** An archive that somebody brings, looked through: of a version that is known, whole, and with nothing in it that a studio cannot hold. */
final readonly class ArchiveDocument
{
    private const SCHEMA = 'file://prism/archive';

    /** What is wrong is told of so many places. */
    private const TOLD = 3;

    /** Wherever a stack is written. */
    private const STACKS = ['stack', 'laid', 'planned', 'present', 'rest', 'steps', 'layer'];

    /**
     * @param  ?array<string, mixed>  $studio  studio.json; null for a piece alone
     * @param  array<string, array<string, mixed>>  $pieces  each piece.json, by folder
     */
    private function __construct(public ArchiveReader $files, public ?array $studio, public array $pieces)
    {
    }

    /** @throws ArchiveRefused with what is wrong, and where */
    public static function open(string $path): self
    {
        $files = ArchiveReader::open($path);
        if (! $files->has(StudioArchive::FILE)) {
            if (! $files->has(PieceArchive::FILE)) {
                throw new ArchiveRefused(sprintf('There is neither %s nor %s in this zip file. Choose an archive that was saved from a studio.', PieceArchive::FILE, StudioArchive::FILE));
            }

            return new self($files, null, ['' => self::read($files, PieceArchive::FILE, 'piece', PieceArchive::FORMAT)]);
        }
        $studio = self::read($files, StudioArchive::FILE, 'studio', StudioArchive::FORMAT);
        $pieces = [];
        foreach ($studio['pieces'] as $folder) {
            $pieces[$folder] = self::read($files, $folder.PieceArchive::FILE, 'piece', PieceArchive::FORMAT);
        }

        return new self($files, $studio, $pieces);
    }

    /** @return list<array<string, mixed>> papers that anything of it names, each once */
    public function papers(): array
    {
        return array_values(array_column($this->all('papers'), null, 'slug'));
    }

    /** @return list<array<string, mixed>> ranges that anything of it names, each once, with all the pencils that are told of it */
    public function ranges(): array
    {
        $ranges = [];
        foreach ($this->all('ranges') as $range) {
            $pencils = array_column($range['pencils'], null, 'number');
            $ranges[$range['code']] = [...$range, 'pencils' => ($ranges[$range['code']]['pencils'] ?? []) + $pencils];
        }

        return array_values($ranges);
    }

    /** @return list<array<string, mixed>> */
    private function all(string $what): array
    {
        return array_values(array_merge(...array_column([...array_values($this->pieces), ...($this->studio === null ? [] : [$this->studio])], $what)));
    }

    /**
     * @return array<string, mixed>
     *
     * @throws ArchiveRefused
     */
    private static function read(ArchiveReader $files, string $name, string $kind, string $format): array
    {
        $told = $files->json($name);
        $is = is_string($told['format'] ?? null) ? $told['format'] : '';
        if ($is !== $format) {
            throw new ArchiveRefused(preg_match('/^prism-'.$kind.'-\d+$/', $is) === 1
                ? sprintf('%s was saved by a newer studio (%s); this one reads %s. Bring this studio up to date, then take the archive in.', $name, $is, $format)
                : sprintf('%s does not say that it is of a studio like this one ("format" should be "%s").', $name, $format));
        }
        self::check($name, $kind, json_decode($files->bytes($name), false, 64, JSON_THROW_ON_ERROR));
        self::checkStacks($name, $told, []);
        foreach ([$told['studio']['schools'] ?? null, $told['piece']['schools'] ?? null, ...array_column($told['zones'] ?? [], 'schools')] as $schools) {
            self::checkSchools($name, $schools ?? []);
        }
        foreach ($told['papers'] as $paper) {
            if (PaperKind::tryFrom($paper['kind']) === null) {
                throw new ArchiveRefused(sprintf('%s: paper "%s" has a surface that is not known here ("%s").', $name, $paper['name'], $paper['kind']));
            }
        }

        return $told;
    }

    /** @throws ArchiveRefused */
    private static function check(string $name, string $kind, mixed $told): void
    {
        static $storage = null;
        if ($storage === null) {
            $storage = new SchemaStorage;
            $storage->addSchema(self::SCHEMA, json_decode((string) file_get_contents(base_path('docs/archive.schema.json')), false, flags: JSON_THROW_ON_ERROR));
        }
        $validator = new Validator(new \JsonSchema\Constraints\Factory($storage));
        $validator->validate($told, (object) ['$ref' => self::SCHEMA."#/definitions/$kind"], Constraint::CHECK_MODE_NORMAL);
        if (! $validator->isValid()) {
            $errors = array_map(static fn (array $error): string => sprintf('%s: %s', $error['property'] === '' ? $name : $error['property'], lcfirst($error['message'])), array_slice($validator->getErrors(), 0, self::TOLD));
            throw new ArchiveRefused(sprintf('%s is not as a studio saves it. %s.', $name, implode('. ', $errors)));
        }
    }

    /**
     * @param  array<mixed>  $told
     * @param  list<int|string>  $path
     *
     * @throws ArchiveRefused
     */
    private static function checkStacks(string $name, array $told, array $path): void
    {
        foreach ($told as $key => $value) {
            if (is_array($value)) {
                self::checkStacks($name, $value, [...$path, $key]);
            } elseif (is_string($value) && $value !== '' && (in_array($key, self::STACKS, true) || ($path !== [] && in_array(end($path), ['stacks', 'has'], true)))) {
                try {
                    Stack::parse($value);
                } catch (NotationError $error) {
                    throw new ArchiveRefused(sprintf('%s, %s: %s', $name, implode('.', [...$path, $key]), $error->getMessage()), previous: $error);
                }
            }
        }
    }

    /**
     * @param  array<string, string>  $answers
     *
     * @throws ArchiveRefused
     */
    private static function checkSchools(string $name, array $answers): void
    {
        foreach ($answers as $question => $answer) {
            $schools = SchoolChoices::QUESTIONS[$question][1] ?? null;
            if ($schools === null || $schools::tryFrom($answer) === null) {
                throw new ArchiveRefused(sprintf('%s: "%s" is no way of working for "%s" here.', $name, $answer, $question));
            }
        }
    }
}
