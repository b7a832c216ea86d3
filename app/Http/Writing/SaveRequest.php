<?php

declare(strict_types=1);

namespace App\Http\Writing;

use App\Models\Item;
use App\Saving\Sent;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\Exceptions\HttpResponseException;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;

/**
 * A state to be saved, read from the raw body: the framework's trimming would alter people's text. `{base, from?, client, content | edits,
 * keep?, note?, of?}`, `from` being the number of the version that the window had last, `of` that of the version that the note is on; every
 * problem of the content comes back with its path.
 */
final class SaveRequest extends FormRequest
{
    public function authorize(): bool
    {
        return true;
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [];
    }

    public function sent(Item $item): Sent
    {
        $body = $this->body($item);
        $note = $body['note'] ?? null;
        if (
            ! is_string($body['base'] ?? null)
            || ! is_string($body['client'] ?? null)
            || strlen($body['client']) > 60
            || preg_match('/^[0-9a-f]{40}$/', $body['base']) !== 1
            || ! ($note === null || (is_string($note) && mb_strlen($note) <= config('attic.note')))
        ) {
            $this->fail(422, [new Problem('not_json', '')]);
        }
        $note = $note === null || trim($note) === '' ? null : trim($note);
        $of = is_int($body['of'] ?? null) ? $body['of'] : null;
        if (isset($body['edits'])) {
            Kinds::named($item->kind)->grid() !== null || $this->fail(422, [new Problem('not_json', '')]);

            return new Sent(
                $body['base'],
                null,
                $body['client'],
                ($body['keep'] ?? false) === true,
                $note,
                edits: $body['edits'],
                noteOf: $of,
            );
        }

        return new Sent(
            $body['base'],
            $this->tree($item),
            $body['client'],
            ($body['keep'] ?? false) === true,
            $note,
            from: is_int($body['from'] ?? null) ? $body['from'] : null,
            noteOf: $of,
        );
    }

    /** The content alone. */
    public function tree(Item $item): PartTree
    {
        $kind = Kinds::named($item->kind);
        $reading = $kind->read($this->body($item)['content'] ?? null, Limits::for($kind));
        if ($reading->tree === null) {
            $this->fail(422, $reading->problems === [] ? [new Problem('not_json', '')] : $reading->problems);
        }
        $this->checkPictures($item, $reading->tree);

        return $reading->tree;
    }

    /** @return array<mixed> */
    private function body(Item $item): array
    {
        $limits = Limits::for(Kinds::named($item->kind));
        if (strlen($this->getContent()) > $limits->bytes) {
            $this->fail(413, [new Problem('too_big', '', ['max' => intdiv($limits->bytes, 1_048_576)])]);
        }
        $body = json_decode($this->getContent(), true, 32);

        return is_array($body) ? $body : $this->fail(422, [new Problem('not_json', '')]);
    }

    private function checkPictures(Item $item, PartTree $tree): void
    {
        $kind = Kinds::named($item->kind);
        $wanted = [];
        foreach ($tree->parts as $position => $part) {
            foreach ($kind->chunksOf($part) as $chunk) {
                $wanted[$chunk] = "parts.{$position}.fields.chunk";
            }
        }
        $missing = $wanted === []
            ? []
            : array_diff_key($wanted, array_flip($item->pictures()->whereIn('chunk', array_keys($wanted))->pluck('chunk')->all()));
        if ($missing !== []) {
            $this->fail(422, array_map(fn (string $path) => new Problem('no_such_picture', $path), array_values($missing)));
        }
    }

    /** @param non-empty-list<Problem> $problems */
    public function fail(int $status, array $problems): never
    {
        $said = array_map(fn (Problem $problem) => [
            'code' => $problem->code,
            'path' => $problem->path,
            'text' => __("problems.{$problem->code}", array_map(strval(...), $problem->variables)),
        ], $problems);

        throw new HttpResponseException(response()->json(['message' => $said[0]['text'], 'problems' => $said], $status));
    }
}
