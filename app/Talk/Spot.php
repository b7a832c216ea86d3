<?php

declare(strict_types=1);

namespace App\Talk;

/** A place in a picture, in hundredths of its width and height. */
final readonly class Spot
{
    /** @param string $chunk the picture that it was shown in, hexadecimal: there may be another one since */
    public function __construct(public float $across, public float $down, public string $chunk = '') {}

    /** Reads what {@see toJson} wrote. */
    public static function fromJson(?string $json): ?self
    {
        $spot = $json === null ? null : json_decode($json, true);

        return is_array($spot)
            ? new self((float) ($spot['across'] ?? 0), (float) ($spot['down'] ?? 0), (string) ($spot['chunk'] ?? ''))
            : null;
    }

    public function toJson(): string
    {
        return (string) json_encode(['across' => $this->across, 'down' => $this->down, 'chunk' => $this->chunk]);
    }
}
