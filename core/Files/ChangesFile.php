<?php

declare(strict_types=1);

namespace MistyAttic\Core\Files;

use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Content\InvalidContent;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\Unreadable;

/** The changes between two files as a file of their own: see docs/formats/changes.md. */
final readonly class ChangesFile
{
    public const FORMAT = 'misty-attic/changes';

    public const VERSION = 1;

    private function __construct(public FileFormat $format, public ChangeSet $changes, public ?LineChanges $lines) {}

    /**
     * @param  list<string>  $sentences
     * @return array<string, mixed>
     */
    public static function toJson(FileComparison $comparison, array $sentences): array
    {
        return [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'of' => $comparison->format->value,
            'kind' => $comparison->kind?->name(),
            'same' => $comparison->same,
            'exact' => $comparison->exact,
            'sentences' => $sentences,
            'changes' => $comparison->changes->toJson()['changes'],
            ...($comparison->lines === null ? [] : ['lines' => $comparison->lines->toJson()]),
        ];
    }

    /** @throws Unreadable */
    public static function read(string $json): self
    {
        try {
            $value = json_decode($json, true, 128, JSON_THROW_ON_ERROR);
            if (! is_array($value) || ($value['format'] ?? null) !== self::FORMAT || ($value['version'] ?? null) !== self::VERSION) {
                throw Unreadable::because('it is no file of changes that compare --format=json wrote');
            }

            return new self(
                FileFormat::tryFrom(is_string($value['of'] ?? null) ? $value['of'] : '')
                    ?? throw Unreadable::because('it does not tell what format the changes are of'),
                ChangeSet::fromJson(['changes' => $value['changes'] ?? []]),
                isset($value['lines']) ? LineChanges::fromJson($value['lines']) : null,
            );
        } catch (InvalidContent|\JsonException $e) {
            throw Unreadable::because(lcfirst($e->getMessage()));
        }
    }

    /**
     * @return array{string|null, list<string>} the bytes of the new file, or what does not fit, a line each
     *
     * @throws Unreadable
     */
    public function apply(Source $old): array
    {
        if ($old->format !== $this->format) {
            throw Unreadable::because("the changes are of a .{$this->format->value} file");
        }
        if ($this->lines !== null) {
            // Lines are told as they read, or where the two files are written otherwise as they are in the bytes.
            [$text, $misfits] = $this->lines->apply($old->text());
            if ($misfits === []) {
                return [$old->encoding->bytes((string) $text), []];
            }
            [$text, $misfits] = $this->lines->apply($old->bytes);

            return $misfits === []
                ? [$text, []]
                : [null, array_map(fn (Hunk $hunk) => 'the lines from '.($hunk->at + 1).' on are not as they were', $misfits)];
        }
        $applied = $this->changes->apply($old->content()->tree);
        if ($applied->tree === null) {
            return [
                null,
                array_map(
                    fn ($misfit) => "{$misfit->id}: "
                        .str_replace('_', ' ', $misfit->type->value)
                        .($misfit->field === null ? '' : " ({$misfit->field})"),
                    $applied->misfits,
                ),
            ];
        }

        return [FileWriter::of($this->format, $old->name, $applied->tree, $old->content()->pictures), []];
    }
}
