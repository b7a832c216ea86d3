<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Writer;
use MistyAttic\Core\Kinds\Document\DocumentRole;
use MistyAttic\Core\Kinds\Numbering;

/** A document's words: a line a paragraph, an empty line between; list signs kept, table cells apart by tabs. */
final class PlainTextWriter implements Writer
{
    public function mediaType(): string
    {
        return 'text/plain; charset=utf-8';
    }

    public function write(string $title, PartTree $tree, \Closure $picture): string
    {
        $text = '';
        $before = null;
        $numbers = Numbering::of($tree);
        foreach ($tree->parts as $part) {
            $role = DocumentRole::from($part->role);
            if ($role === DocumentRole::Cell || $role === DocumentRole::Table) {
                $before = $role === DocumentRole::Table ? $role : $before;

                continue;
            }
            $together = ($role === DocumentRole::ListItem && $before === $role) || ($role === DocumentRole::Row && $before === $role);
            $text .= $text === '' ? '' : ($together ? "\n" : "\n\n");
            if ($role === DocumentRole::ListItem) {
                $text .= str_repeat('  ', $part->depth).match ($part->string('style')) {
                    'number' => ($numbers[$part->id][0] ?? 1).'. ',
                    'task' => ($part->fields['done'] ?? false) === true ? '[x] ' : '[ ] ',
                    default => '• ',
                };
            }
            $text .= match ($role) {
                DocumentRole::Row => implode(
                    "\t",
                    array_map(
                        fn (string $id) => str_replace(["\t", "\n"], ' ', $tree->get($id)->richText()->text()),
                        $tree->children()[$part->id] ?? [],
                    ),
                ),
                DocumentRole::Picture => '['.($part->string('alt') === '' ? '…' : $part->string('alt')).']',
                DocumentRole::Rule => '* * *',
                default => $part->richText()->text(),
            };
            $before = $role;
        }

        return $text."\n";
    }
}
