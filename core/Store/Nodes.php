<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

use MistyAttic\Core\Content\Address;

/** Reads nodes for one piece of work, each once. */
final class Nodes
{
    /** @var array<string, string> address => bytes */
    private array $held = [];

    /** @var array<string, list<NodeChild>> */
    private array $entries = [];

    public function __construct(private readonly ChunkStore $store) {}

    /**
     * @param  list<string>  $addresses
     *
     * @throws ChunkMissing
     */
    public function fetch(array $addresses): void
    {
        $wanted = [];
        foreach ($addresses as $address) {
            if (! isset($this->held[$address])) {
                $wanted[] = $address;
            }
        }
        if ($wanted === []) {
            return;
        }
        $this->held += $this->store->read($wanted);
        foreach ($wanted as $address) {
            isset($this->held[$address]) || throw ChunkMissing::at($address);
        }
    }

    /** @throws ChunkMissing */
    public function bytes(string $address): string
    {
        isset($this->held[$address]) || $this->fetch([$address]);

        return $this->held[$address];
    }

    public function isLeaf(string $address): bool
    {
        return $this->bytes($address)[0] === 'L';
    }

    /** @return list<NodeChild> */
    public function entries(string $address): array
    {
        return $this->entries[$address] ??= NodeChild::in($this->bytes($address));
    }

    /** @return list<string> the addresses in an inner node */
    public function below(string $address): array
    {
        return NodeChild::addresses($this->bytes($address));
    }

    /** @return list<int> how many records are below each of them */
    public function counts(string $address): array
    {
        return NodeChild::counts($this->bytes($address));
    }

    /** @return list<int<0, 255>> and the least depth of those */
    public function leasts(string $address): array
    {
        return NodeChild::leasts($this->bytes($address));
    }

    /** @return list<string> */
    public function records(string $address): array
    {
        return explode("\n", substr($this->bytes($address), 1), -1);
    }

    /** How many levels of inner nodes are above the leaves. */
    public function height(string $root): int
    {
        for ($height = 0; ! $this->isLeaf($root); $height++) {
            $root = substr($this->bytes($root), 1, Address::BYTES);
        }

        return $height;
    }

    public function count(string $root): int
    {
        return $this->isLeaf($root) ? substr_count($this->bytes($root), "\n") : array_sum($this->counts($root));
    }

    /**
     * The nodes of every level.
     *
     * @return list<list<NodeChild>> leaves first; the leaves themselves are not read
     */
    public function levels(string $root): array
    {
        $height = $this->height($root);
        $levels = [[new NodeChild($root, $this->count($root), 0)]];
        for (; $height > 0; $height--) {
            $above = array_column($levels[0], 'address');
            $this->fetch($above);
            array_unshift($levels, array_merge(...array_map($this->entries(...), $above)));
        }

        return $levels;
    }
}
