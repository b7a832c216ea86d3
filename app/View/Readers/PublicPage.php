<?php

declare(strict_types=1);

namespace App\View\Readers;

/** A published state as a page for everybody. */
final readonly class PublicPage
{
    /**
     * @param  array<string, mixed>  $data  what the view needs besides
     * @param  bool  $moves  whether it shows what may change without anything being published
     * @param  mixed  $shows  what it shows of that now, for its entity tag
     * @param  bool  $scripts  whether it has scripts of ours
     */
    public function __construct(
        public string $view,
        public array $data,
        public bool $moves = false,
        public mixed $shows = null,
        public bool $scripts = false,
    ) {}
}
