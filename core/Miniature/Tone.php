<?php

declare(strict_types=1);

namespace MistyAttic\Core\Miniature;

/** What colour something has in a miniature, by day and by night: the same as on the screens (`_tokens.scss`). */
final class Tone
{
    /** What is written. */
    public const LINE = 'line';

    /** What stands out: headings, names of columns. */
    public const HEAD = 'head';

    /** What is said beside it. */
    public const ASIDE = 'aside';

    /** Grounds and edges. */
    public const GROUND = 'ground';

    public const EDGE = 'edge';

    /** What is gone or broken. */
    public const AMISS = 'amiss';

    /** By name: the token, by day, by night. */
    public const ALL = [
        self::LINE => ['mist-3', '#a9b8b5', '#4d625e'],
        self::HEAD => ['ink', '#20302f', '#e7ebe5'],
        self::ASIDE => ['ink-2', '#566a68', '#a5b5b1'],
        self::GROUND => ['mist-1', '#e6ecea', '#243331'],
        self::EDGE => ['mist-2', '#d2dcd9', '#31433f'],
        self::AMISS => ['rust', '#a8432d', '#e58a74'],
        'e0' => ['editor-0', '#5b6664', '#aab7b4'],
        'e1' => ['editor-1', '#2b6ca3', '#7eb4e2'],
        'e2' => ['editor-2', '#b4561d', '#ec9a66'],
        'e3' => ['editor-3', '#1f7a5c', '#6cc4a3'],
        'e4' => ['editor-4', '#7a4fa3', '#bf9be2'],
        'e5' => ['editor-5', '#8a6d12', '#d3b65a'],
        'e6' => ['editor-6', '#a33a62', '#e58fb0'],
        'e7' => ['editor-7', '#3d6d74', '#8cc0c7'],
        'e8' => ['editor-8', '#6b5b4a', '#bfae9b'],
        'e9' => ['editor-9', '#4a5fb8', '#9fb0f0'],
        'e10' => ['editor-10', '#86582d', '#d8a878'],
        'e11' => ['editor-11', '#557023', '#a9c672'],
        'e12' => ['editor-12', '#95407f', '#dd93c9'],
        's1' => ['series-1', '#24463f', '#9fc4b7'],
        's2' => ['series-2', '#b4742b', '#e0aa5f'],
        's3' => ['series-3', '#5a8aa6', '#8fbcd8'],
        's4' => ['series-4', '#8c4a3c', '#dd9684'],
    ];

    /** That of an editor, by the number of the colour. */
    public static function ofEditor(int $colour): string
    {
        return isset(self::ALL["e{$colour}"]) ? "e{$colour}" : 'e0';
    }
}
