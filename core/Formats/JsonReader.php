<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Content\CanonicalJson;
use MistyAttic\Core\Content\InvalidContent;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Data\DataKind;
use MistyAttic\Core\Kinds\Data\DataRole;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;

/** An item of ours, `{"kind": "form", "parts": [[id, role, depth, fields] …]}`, or any other JSON (RFC 8259) as a tree of fields. */
final class JsonReader implements Reader
{
    /** @var list<Part> */
    private array $parts = [];

    public function read(string $bytes, FormatLimits $limits): Content
    {
        try {
            $value = json_decode($bytes, false, max(1, $limits->depth), JSON_THROW_ON_ERROR | JSON_BIGINT_AS_STRING);
        } catch (\JsonException $e) {
            throw Unreadable::because('it is no JSON: '.lcfirst($e->getMessage()));
        }
        if ($value instanceof \stdClass && is_string($value->kind ?? null) && is_array($value->parts ?? null)) {
            return $this->item(
                $value->kind,
                $value->parts,
                self::pictures($value->pictures ?? null),
                SaidAsJson::readTalk($value->talk ?? null),
                $value->proposals ?? null,
                $limits,
            );
        }
        $this->parts = [];
        $this->add('', $value, 0, $limits);

        return new Content(new DataKind, PartTree::of($this->parts));
    }

    /** @return array<string, string> those whose bytes are what their address says */
    private static function pictures(mixed $given): array
    {
        $pictures = [];
        foreach ($given instanceof \stdClass ? (array) $given : [] as $chunk => $text) {
            $bytes = is_string($text) ? base64_decode($text, true) : false;
            if ($bytes !== false && bin2hex(Address::of($bytes)) === (string) $chunk) {
                $pictures[(string) $chunk] = $bytes;
            }
        }

        return $pictures;
    }

    /**
     * @param  array<mixed>  $parts
     * @param  array<string, string>  $pictures
     * @param  list<SaidInFile>  $said
     */
    private function item(string $name, array $parts, array $pictures, array $said, mixed $proposals, FormatLimits $limits): Content
    {
        try {
            $kind = Kinds::named($name);
        } catch (\OutOfBoundsException) {
            throw Unreadable::because('it is an item of a kind that there is not', Unreadable::quote($name));
        }
        try {
            $sent = CanonicalJson::decode((string) json_encode($parts, JSON_THROW_ON_ERROR));
            $bounds = new Limits(bytes: max($limits->bytes, Limits::for($kind)->bytes), parts: $limits->parts, depth: 64);
            $reading = $kind->read($sent, $bounds);
        } catch (InvalidContent|\JsonException $e) {
            throw Unreadable::because('its parts can not be read: '.Unreadable::quote($e->getMessage()));
        }
        if ($reading->tree === null) {
            $first = $reading->problems[0];
            throw Unreadable::because('it does not fit the schema of its kind: '.str_replace('_', ' ', $first->code), $first->path);
        }

        return new Content(
            $kind,
            $reading->tree,
            $pictures,
            tracked: SaidAsJson::readProposals($proposals, $kind, $bounds, $pictures),
            said: $said,
            hasIds: true,
        );
    }

    private function add(string $key, mixed $value, int $depth, FormatLimits $limits): void
    {
        if (count($this->parts) >= $limits->parts) {
            throw Unreadable::tooLarge('it has more values than can be compared', $limits->parts);
        }
        $id = sprintf('v%04d', count($this->parts));
        $depth = max(0, $depth);
        if (is_array($value) || $value instanceof \stdClass) {
            $this->parts[] = new Part($id, is_array($value) ? DataRole::Sequence->value : DataRole::Map->value, $depth, ['key' => $key]);
            foreach ((array) $value as $name => $inner) {
                $this->add(is_array($value) ? '' : (string) $name, $inner, $depth + 1, $limits);
            }

            return;
        }
        $this->parts[] = new Part($id, DataRole::Value->value, $depth, ['key' => $key, ...(is_scalar($value) ? ['value' => $value] : [])]);
    }
}
