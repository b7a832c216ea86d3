<?php

declare(strict_types=1);

namespace App\Talk;

use App\Models\User;

/** Who is called in a text: `@Nell`, or `@Nell Warwick` where several are called Nell. */
final readonly class Mentioned
{
    /**
     * @param  list<User>  $people
     * @return list<User>
     */
    public static function in(string $text, array $people): array
    {
        $called = [];
        foreach ($people as $person) {
            $alone = count(array_filter($people, fn (User $other) => $other->firstName() === $person->firstName())) === 1;
            if (self::calls($text, $person->name) || ($alone && self::calls($text, $person->firstName()))) {
                $called[$person->id] = $person;
            }
        }

        return array_values($called);
    }

    private static function calls(string $text, string $name): bool
    {
        return preg_match('/(?<![\p{L}\p{N}])@'.preg_quote($name, '/').'(?![\p{L}\p{N}])/u', $text) === 1;
    }
}
