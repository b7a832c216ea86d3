<?php

declare(strict_types=1);

namespace App\View\Proposals;

use App\Models\Proposal;
use App\Models\User;
use App\View\ChangeLine;
use App\View\Phrases;
use App\View\SpanHtml;
use Illuminate\Support\Str;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Telling\Detail;
use MistyAttic\Core\Compare\Telling\Statement;
use MistyAttic\Core\Compare\Telling\Statements;
use MistyAttic\Core\Compare\Texts\Span;
use MistyAttic\Core\Compare\Texts\Stretches;
use MistyAttic\Core\Compare\Texts\TextCompare;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Kind;

/** One change that somebody proposes, which is answered by itself. */
final readonly class ProposedLine
{
    /** Places of one text that can be answered by themselves; more are answered together. */
    private const MOST_PLACES = 30;

    /**
     * @param  bool  $meets  whether others wrote in the same place since
     * @param  list<array{key: string, goes: string, comes: string}>  $places  of the text that it changes, if there are several
     */
    private function __construct(public ChangeLine $line, public bool $meets, public array $places) {}

    /**
     * @param  list<string>  $met  {@see Proposal::$met}
     * @return list<self>
     */
    public static function in(
        Kind $kind,
        PartTree $old,
        PartTree $new,
        ChangeSet $changes,
        Proposal $proposal,
        array $met,
        Phrases $phrases,
    ): array {
        $met = array_flip($met);
        $lines = [];
        foreach (Statements::of($kind, $old, $new, $changes, Detail::Apart) as $statement) {
            if (! $statement->isConsequence()) {
                $meets = array_filter([...$statement->ids, ...$statement->cells ?? []], fn (string $part) => isset($met[$part])) !== [];
                $lines[] = new self(
                    new ChangeLine($statement, $phrases->statement($statement), [], [$proposal->user], null),
                    $meets,
                    self::placesOf($old, $new, $statement),
                );
            }
        }

        return $lines;
    }

    /** @return list<array{key: string, goes: string, comes: string}> */
    private static function placesOf(PartTree $before, PartTree $after, Statement $statement): array
    {
        $key = count($statement->keys()) === 1 ? $statement->keys()[0] : '';
        $part = str_starts_with($key, 'edited:') ? substr($key, strlen('edited:')) : '';
        $places = [];
        [$old, $new] = [$before->find($part), $after->find($part)];
        if ($old !== null && $new !== null && $old->role === $new->role) {
            foreach ($old->differing($new) as $field) {
                [$was, $is] = [$old->fields[$field] ?? null, $new->fields[$field] ?? null];
                if ($was instanceof RichText && $is instanceof RichText) {
                    $stretches = Stretches::of($was, $is, new Words);
                    foreach ($stretches->places as $number => $unused) {
                        [$goes, $comes] = $stretches->at($number);
                        $places[] = ['key' => "{$key}/{$field}~{$number}", 'goes' => trim($goes->text()), 'comes' => trim($comes->text())];
                    }
                }
            }
        }

        return count($places) > 1 && count($places) <= self::MOST_PLACES ? $places : [];
    }

    /** The text that comes, goes or changes, marked as its author's; null where there is none, or several. */
    public function words(PartTree $old, PartTree $new, User $author): ?SpanHtml
    {
        // Of what moved, another line tells what was written.
        $id = $this->line->statement->type !== ChangeType::Moved
        && $this->line->statement->cells === null
        && count($this->line->statement->ids) === 1
            ? $this->line->part()
            : '';
        [$was, $is] = array_map(fn (PartTree $tree): RichText => $tree->find($id)?->richText() ?? new RichText, [$old, $new]);

        return $was->equals($is)
            ? null
            : new SpanHtml(array_map(fn (Span $span) => [$span, $author], TextCompare::of($was, $is, new Words)->spans()));
    }

    /** @param array{key: string, goes: string, comes: string} $place */
    public function said(array $place): string
    {
        $shown = fn (string $text): string => $text === '' ? (string) __('proposing.place.space') : Str::limit($text, 80);
        $form = match (true) {
            $place['goes'] === $place['comes'] => 'looks',
            $place['goes'] === '' => 'comes',
            $place['comes'] === '' => 'goes',
            default => 'instead',
        };

        return (string) __("proposing.place.{$form}", ['goes' => $shown($place['goes']), 'comes' => $shown($place['comes'])]);
    }

    /** Whether there is anything to go on writing in once it is accepted. */
    public function goesOn(): bool
    {
        return $this->line->statement->type !== ChangeType::Removed;
    }

    /** What answers it: see {@see Statement::keys}. */
    public function keys(): string
    {
        return implode(' ', $this->line->statement->keys());
    }
}
