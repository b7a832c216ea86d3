<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

use MistyAttic\Core\Content\Address;

/**
 * Cuts records into leaves, or entries into inner nodes, at boundaries that the content defines: whether a node ends
 * after an item depends on that node's items alone, so that cutting falls back into step soon after any edit.
 */
final class Cutter
{
    private const LEAF_LEAST = 10;

    private const LEAF_MOST = 96;

    private const LEAF_BYTES = 28_672;

    /** One record in this many ends a leaf that has the least number: about 32 records a leaf. */
    private const LEAF_DIVISOR = 23;

    private const NODE_LEAST = 5;

    private const NODE_MOST = 48;

    private const NODE_DIVISOR = 12;

    /** @var list<NodeChild> the nodes that are finished */
    public array $done = [];

    /** @var array<string, string> their bytes, by address */
    public array $chunks = [];

    /** Records, or addresses of entries. */
    private string $open = '';

    /** Of entries, the numbers of records and the least depths. */
    private string $counts = '';

    private string $leasts = '';

    private int $items = 0;

    private int $count = 0;

    /** @var int<0, 255> */
    private int $least = 255;

    public function record(string $record): void
    {
        if ($this->items === 0) {
            $this->open = 'L';
        }
        $this->open .= $record."\n";
        $this->took(1, NodeChild::depth($record));
        if (
            $this->items >= self::LEAF_MOST
            || strlen($this->open) >= self::LEAF_BYTES
            || ($this->items >= self::LEAF_LEAST && crc32($record) % self::LEAF_DIVISOR === 0)
        ) {
            $this->finish();
        }
    }

    public function entry(NodeChild $entry): void
    {
        if ($this->items === 0) {
            $this->open = 'N';
        }
        $this->open .= $entry->address;
        $this->counts .= pack('N', $entry->count);
        $this->leasts .= chr($entry->least);
        $this->took($entry->count, $entry->least);
        if ($this->items >= self::NODE_MOST || ($this->items >= self::NODE_LEAST && crc32($entry->address) % self::NODE_DIVISOR === 0)) {
            $this->finish();
        }
    }

    public function isBetweenNodes(): bool
    {
        return $this->items === 0;
    }

    /** Ends the node that is open: to be called at the end of the list. */
    public function finish(): void
    {
        if ($this->items > 0) {
            $this->keep($this->open.$this->counts.$this->leasts);
            $this->counts = $this->leasts = '';
        }
    }

    /** The node of a list that holds nothing. */
    public function keepEmpty(): void
    {
        $this->least = 0;
        $this->keep('L');
    }

    /** @param int<0, 255> $least */
    private function took(int $count, int $least): void
    {
        $this->items++;
        $this->count += $count;
        $this->least = min($this->least, $least);
    }

    private function keep(string $bytes): void
    {
        $address = Address::of($bytes);
        $this->chunks[$address] = $bytes;
        $this->done[] = new NodeChild($address, $this->count, $this->least);
        $this->items = $this->count = 0;
        $this->least = 255;
    }
}
