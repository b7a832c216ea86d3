<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;
use MistyAttic\Core\Kinds\PartReader;

/** Parts, or cells as row/column, that somebody chose in a state: `parts=a,b,row/column`. */
final class ChosenParts
{
    private const MOST = 200;

    /** @return list<string> without what is none */
    public static function of(Request $request): array
    {
        $sent = $request->input('parts');
        $parts = is_string($sent) ? array_slice(explode(',', $sent), 0, self::MOST) : [];

        return array_values(
            array_unique(
                array_filter(
                    $parts,
                    fn (string $part) => array_filter(explode('/', $part, 2), fn (string $id) => preg_match(PartReader::ID, $id) !== 1)
                        === [],
                ),
            ),
        );
    }
}
