<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Kinds\Spreadsheet\SheetView;
use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\FileBytes;
use App\Store\SmallPictures;
use App\Store\States;
use App\View\Authorship;
use App\View\Block;
use App\View\Blocks;
use App\View\Comparison;
use App\View\HistoryAddress;
use App\View\LookedAt;
use App\View\Past as Plain;
use App\View\Phrases;
use App\View\Pieces;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\File\FileRole;
use MistyAttic\Core\Miniature\Sample;

/**
 * A file is looked at as a picture, by the lines of its text, as the parts of a kind that can read it, or by its bytes. Only a text that is
 * kept in lines knows who wrote which of them; what is read as something knows who brought it.
 */
final class Past extends Plain
{
    public const VIEW = 'kinds.file.past';

    public const BLOCKS = 'kinds.file.lines';

    /** Bytes of a picture of which a small copy is made. */
    private const SMALL = 4_194_304;

    public function __construct(States $states, private readonly FileBytes $bytes)
    {
        parent::__construct($states);
    }

    public function compared(Item $item, Version $from, Version $to, HistoryAddress $address, Phrases $phrases): Comparison
    {
        [$old, $new] = [$this->at($from->root), $this->at($to->root)];
        $face = self::face($old, $new, $address);
        $readAs = match (true) {
            $face === Face::Parts => (new Told($this->states, $this->bytes))->between($item, $from, $to, Reading::parts(...)),
            $face === Face::Lines && ! ($old->isText && $new->isText) => (new Told($this->states, $this->bytes))->between(
                $item,
                $from,
                $to,
                Reading::lines(...),
            ),
            default => null,
        };

        return new Comparison($item, $from, $to, $this->states, $phrases, whole: true, readAs: $readAs);
    }

    public function of(LookedAt $at): array
    {
        [$old, $new] = $this->ends($at);
        $face = self::face($old, $new, $at->address);
        $isRead = $face === Face::Parts
            ? $at->comparison->kind->name() !== $at->item->kind
            : $face === Face::Lines && ($at->comparison->kind->name() !== $at->item->kind || self::isLines($at));
        $data = [
            'old' => $old,
            'new' => $new,
            'face' => $isRead || in_array($face, [Face::Picture, Face::Bytes], true) ? $face : Face::Bytes,
            'pieces' => null,
        ];
        // What a file is only read as are no parts of it: one can't choose among them, and what is said about them is said about the file.
        $data += $data['face'] === Face::Parts || ($data['face'] === Face::Lines && ! ($old->isText && $new->isText))
            ? ['readOf' => $new->id]
            : [];

        $isOne = $at->asItWas() || $at->comparison->from->root === $at->comparison->to->root;

        return match ($data['face']) {
            Face::Picture => ['isOne' => $isOne, 'pictures' => $isOne ? null : PictureCompared::of($old, $new)] + $data,
            Face::Bytes => ['common' => $new->inCommon($old)] + $data,
            Face::Parts => $this->parts($at) + $data,
            Face::Lines => $this->lines($at, $old->isText && $new->isText) + $data,
        };
    }

    public function switches(LookedAt $at): array
    {
        [$old, $new] = $this->ends($at);
        $face = self::face($old, $new, $at->address);
        $faces = self::faces($old, $new, $at->address);
        $name = fn (Face $each): string => $each === Face::Parts && Reading::isTable($new) ? 'table' : $each->value;
        $lookedAt = [
            'label' => (string) __('file.looked_at'),
            'choices' => array_map(
                fn (Face $each): array => [(string) __("file.face.{$name($each)}"), ['show' => $each->value], $each === $face],
                $faces,
            ),
        ];
        $isTable = $face === Face::Parts && $at->comparison->kind->grid() !== null;
        $hasLayout = $at->address->view === 'changed' && $face !== Face::Bytes && ! $isTable;
        $layout = [
            'label' => (string) __('history.switches.layout'),
            'choices' => self::choices(
                $at->address->layout === 'side' ? 'side' : 'together',
                'layout',
                ['together', 'side'],
                $face === Face::Picture ? ['together' => (string) __('file.over'), 'side' => (string) __('file.side')] : [],
            ),
        ];

        return [...count($faces) < 2 ? [] : [$lookedAt], ...$hasLayout ? [$layout] : []];
    }

    /** Of a text that stands alone its lines are shown, and not what is known of the file. */
    public function isShown(LookedAt $at, string $part): bool
    {
        $isFile = $at->comparison->new->find($part)?->role === FileRole::Bytes->value;

        return parent::isShown($at, $part) && ! ($isFile && $at->address->view !== 'changed' && $this->ends($at)[1]->isText);
    }

    public function tellsAuthors(LookedAt $at): bool
    {
        [, $new] = $this->ends($at);

        return parent::tellsAuthors($at) && $new->isText;
    }

    public function needsAll(HistoryAddress $address): bool
    {
        return true;
    }

    /** A picture as it is. */
    public function fromAfar(Item $item, Version $version, User $person, Sample $sample): Sample
    {
        $file = new FileState(PartTree::of(array_slice($sample->parts, 0, 1)), $this->bytes);
        $small = $file->isPicture() && ! $file->isText && $file->size <= self::SMALL ? SmallPictures::small($file->whole()) : null;

        return $small === null ? $sample : $sample->with(pictures: [$sample->parts[0]->string('chunk') => ['image/jpeg', $small]]);
    }

    /** @return array{FileState, FileState} */
    private function ends(LookedAt $at): array
    {
        return [$this->at($at->comparison->from->root), $this->at($at->comparison->to->root)];
    }

    private function at(string $root): FileState
    {
        return new FileState($this->states->tree($root), $this->bytes);
    }

    /** @return list<Face> those that both ends have */
    private static function faces(FileState $old, FileState $new, HistoryAddress $address): array
    {
        // Who wrote what is told of lines alone.
        return $address->view === 'who'
            ? [Face::Lines]
            : array_values(array_filter($old->faces(), fn (Face $face) => in_array($face, $new->faces(), true)));
    }

    private static function face(FileState $old, FileState $new, HistoryAddress $address): Face
    {
        $faces = self::faces($old, $new, $address);
        $wanted = Face::tryFrom($address->show);

        return in_array($wanted, $faces, true) ? $wanted : $faces[0];
    }

    /** Whether its lines could be read: else the comparison is one of the file itself. */
    private static function isLines(LookedAt $at): bool
    {
        return ($at->comparison->old->parts[0] ?? null)?->string('chunk') === '';
    }

    /** @return array<string, mixed> */
    private function parts(LookedAt $at): array
    {
        if ($at->comparison->kind->grid() === null) {
            return $this->blocks($at, 'kinds.document.blocks');
        }
        $sheet = new SheetView($at->comparison, $this->states, $at->address);

        return [
            'sheet' => $sheet,
            'sheetLines' => $sheet->lines(0, self::LINES),
            'isByAuthor' => false,
            'writers' => [],
            'chunk' => self::LINES,
            'parts' => null,
        ];
    }

    /** Lines of a table that are shown. */
    private const LINES = 2_000;

    /**
     * Line by line, each beside the one that it goes together with.
     *
     * @param  bool  $isKept  whether the item itself is kept in lines
     * @return array<string, mixed>
     */
    private function lines(LookedAt $at, bool $isKept): array
    {
        $pieces = new Pieces($at->address->piece, $at->address->part);
        $kind = $at->comparison->kind;
        $written
            = $at->address->view === 'who' ? new Authorship($at->item, $at->comparison->to, $at->comparison->new, $this->states) : null;
        $blocks = match (true) {
            $written !== null => Blocks::written($kind, $at->comparison->new, $written),
            $at->asItWas() => Blocks::plain($kind, $at->comparison->old),
            default => Blocks::compared($kind, $at->comparison),
        };

        return ['pieces' => $pieces, 'blocks' => self::flat($blocks, $pieces), 'earlier' => $at->comparison->old]
            + ($written === null ? [] : ['written' => $written])
            + ($isKept ? [] : ['parts' => null]);
    }

    /**
     * @param  list<Block>  $blocks
     * @return list<Block> what is below them behind them, of the piece that is shown
     */
    private static function flat(array $blocks, Pieces $pieces): array
    {
        $all = [];
        $open = array_reverse($blocks);
        while ($open !== []) {
            $block = array_pop($open);
            array_push($open, ...array_reverse($block->children));
            $all[] = $block->alone();
        }
        $shown = array_flip(
            array_map(fn (MarkedPart $marked) => $marked->part->id, $pieces->cut(array_map(fn (Block $block) => $block->marked, $all))),
        );

        return array_values(array_filter($all, fn (Block $block) => isset($shown[$block->id()])));
    }

    /** @return array<string, mixed> */
    private function blocks(LookedAt $at, string $block): array
    {
        $pieces = new Pieces($at->address->piece, $at->address->part);

        return [
            'blockView' => $block,
            'parts' => null,
            'pieces' => $pieces,
            'blocks' => $at->asItWas()
                ? Blocks::plain($at->comparison->kind, $at->comparison->old, $pieces)
                : Blocks::compared($at->comparison->kind, $at->comparison, $pieces),
        ];
    }
}
