<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate;

use PhpOffice\PhpSpreadsheet\Calculation\Calculation;

/** A formula taken apart by the library: tokens in reverse Polish order. Formulas that differ in their references alone share one. */
final readonly class Template
{
    /** Deeper than that, or longer, it is no formula that a person wrote. */
    private const MOST_TOKENS = 2_000;

    /** @param list<array{type: string, value: mixed}>|null $tokens null when it can't be read */
    private function __construct(public ?array $tokens, public bool $byPlace, public bool $byDay) {}

    public static function of(string $template): self
    {
        $calculation = Calculation::getInstance();
        $calculation->setBranchPruningEnabled(false);
        try {
            $tokens = $calculation->parseFormula('='.$template);
        } catch (\Throwable) {
            $tokens = false;
        }
        if (! is_array($tokens) || $tokens === [] || count($tokens) > self::MOST_TOKENS) {
            return new self(null, false, false);
        }
        $plain = [];
        $names = [];
        /** @var list<array{type: string, value: string}> $tokens */
        foreach ($tokens as $token) {
            $plain[] = ['type' => $token['type'], 'value' => $token['value']];
            if ($token['type'] === 'Function') {
                $names[] = $token['value'];
            }
        }

        return new self($plain, array_intersect($names, ['ROW(', 'COLUMN(']) !== [], in_array('TODAY(', $names, true));
    }
}
