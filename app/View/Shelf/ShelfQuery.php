<?php

declare(strict_types=1);

namespace App\View\Shelf;

/** What of a shelf is asked for: items whose titles hold some words, of a kind, in an order. */
final readonly class ShelfQuery
{
    public const SORTS = ['changed', 'title'];

    /**
     * @param  'changed'|'title'  $sort  the newest change first, or by title
     * @param  bool  $pictures  whether each is seen from afar
     */
    public function __construct(
        public string $find = '',
        public string $kind = '',
        public string $sort = 'changed',
        public bool $pictures = false,
    ) {}

    public function isAsked(): bool
    {
        return $this->find !== '' || $this->kind !== '';
    }

    /**
     * The same with something else.
     *
     * @param  array<string, string>  $more
     * @return array<string, string> for an address, without what goes without saying
     */
    public function with(array $more = []): array
    {
        return array_filter(
            [...['find' => $this->find, 'kind' => $this->kind, 'sort' => $this->sort, 'pictures' => $this->pictures ? '1' : ''], ...$more],
            fn (string $value, string $name) => $value !== '' && ! ($name === 'sort' && $value === 'changed'),
            ARRAY_FILTER_USE_BOTH,
        );
    }
}
