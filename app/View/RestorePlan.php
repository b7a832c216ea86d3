<?php

declare(strict_types=1);

namespace App\View;

use MistyAttic\Core\Compare\ChangeType;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Kind;

/** What restoring an earlier version does to the newest one, before it happens. */
final readonly class RestorePlan
{
    /** @var list<Entry> in the earlier version, and missing or other now */
    public array $comesBack;

    /** @var list<Entry> made since */
    public array $goesAway;

    /** @var array<string, int> noun => how many parts are the same in both */
    public array $stays;

    /** @param Comparison $since from the version to be restored to the newest one */
    public function __construct(public Comparison $since, Kind $kind)
    {
        $back = $away = [];
        foreach ($since->entries as $entry) {
            $type = $entry->statement->type;
            $madeSince = $type === ChangeType::Added || ($type === ChangeType::Edited && $entry->statement->removed === 0 && $entry->statement->added > 0);
            if ($madeSince) {
                $away[] = $entry;
            } else {
                $back[] = $entry;
            }
        }
        $touched = $since->changes->touched();
        $stays = [];
        foreach ($since->new->parts as $part) {
            if (! isset($touched[$part->id]) && $this->counts($part)) {
                $noun = $kind->noun($part);
                $stays[$noun] = ($stays[$noun] ?? 0) + 1;
            }
        }
        arsort($stays);
        [$this->comesBack, $this->goesAway, $this->stays] = [$back, $away, $stays];
    }

    /** Rows and cells are counted with their table, and empty paragraphs not at all. */
    private function counts(Part $part): bool
    {
        return ! in_array($part->role, ['row', 'cell'], true) && (! isset($part->fields['text']) || ! $part->richText()->isEmpty());
    }
}
