<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Models\User;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Content\Part;

/** A widget as it was and as it is. */
final readonly class ComparedWidget
{
    /** Fields that say where a widget is. */
    public const PLACE = ['x', 'y', 'across', 'down'];

    /** As it is, or of what was removed as it was. */
    public WidgetView $shown;

    /** Why it shows nothing, if it does not. */
    public ?Mending $mending;

    /**
     * @param  'added'|'removed'|'edited'|'moved'|'same'  $state
     * @param  User|null  $editor  null where nobody changed it
     * @param  array<string, array{string, string}>  $edits  of settings: field => was and is
     * @param  list<array{string, string, string, string}>  $differences  of figures: group, was, is, by how much
     */
    public function __construct(
        public MarkedPart $marked,
        public string $state,
        public ?User $editor,
        public ?WidgetView $old,
        public ?WidgetView $new,
        public array $edits,
        public array $differences,
    ) {
        $this->shown = $new ?? ($old ?? throw new \LogicException('A widget is on one side at least.'));
        $this->mending = in_array($this->shown->broken, [null, 'empty'], true) ? null : Mending::told($this->shown);
    }

    /** Whether it is elsewhere, or of another size. */
    public function isElsewhere(): bool
    {
        return $this->old !== null
            && $this->new !== null
            && array_map($this->old->part->int(...), self::PLACE) !== array_map($this->new->part->int(...), self::PLACE);
    }

    /** @return array{old: Part|null, new: Part|null} */
    public function parts(): array
    {
        return ['old' => $this->old?->part, 'new' => $this->new?->part];
    }
}
