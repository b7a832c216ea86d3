<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Entry;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Form\FormRole;

/**
 * The form that an entry is looked at and edited with: the one that is live, with the choices and lines that the entry names and
 * that are gone since, and with a question as it was asked where it is of another type now.
 */
final class AskedForm
{
    /**
     * @param  PartTree  $live  as it is live now
     * @param  PartTree  $then  as it was live when the entry was sent
     */
    public static function of(PartTree $live, PartTree $then, PartTree $entry): PartTree
    {
        $parts = [];
        $skip = null;
        foreach ($live->parts as $part) {
            if ($skip !== null && $part->depth > $skip) {
                continue;
            }
            $skip = null;
            $parts[] = $part;
            $answer = $part->role === FormRole::Question->value ? $entry->find($part->id) : null;
            if ($answer === null) {
                continue;
            }
            $asked = $then->find($part->id);
            if ($asked !== null && $asked->role === $part->role && $asked->string('type') !== $part->string('type')) {
                array_pop($parts);
                array_push($parts, ...self::at($part->depth, $then->subtree($part->id)));
                $skip = $part->depth;

                continue;
            }
            array_push($parts, ...self::gone($live, $then, $part, $answer));
        }

        return PartTree::of($parts);
    }

    /**
     * What an answer names and its question has no more.
     *
     * @return list<Part>
     */
    private static function gone(PartTree $live, PartTree $then, Part $question, Part $answer): array
    {
        $gone = [];
        foreach ($answer->strings('choices') as $at => $chosen) {
            $pair = explode(':', $chosen, 2);
            $words = explode(': ', $answer->strings('said')[$at] ?? '', count($pair));
            foreach ($pair as $which => $id) {
                if (! $live->has($id)) {
                    $role = count($pair) === 2 && $which === 0 ? FormRole::Line : FormRole::Choice;
                    $old = $then->find($id);
                    $gone[$id] = new Part($id, $role->value, $question->depth + 1, [
                        'label' => $old === null || $old->string('label') === '' ? $words[$which] ?? '' : $old->string('label'),
                        'gone' => true,
                    ]);
                }
            }
        }

        return array_values($gone);
    }

    /**
     * @param  list<Part>  $parts
     * @return list<Part>
     */
    private static function at(int $depth, array $parts): array
    {
        $by = $depth - ($parts[0]->depth ?? $depth);

        return array_map(fn (Part $part) => new Part($part->id, $part->role, max(0, $part->depth + $by), $part->fields), $parts);
    }
}
