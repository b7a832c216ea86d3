<?php

declare(strict_types=1);

namespace App\View;

/** The history of one part. */
final readonly class Story
{
    /**
     * @param  string  $name  of the part, empty if it has none
     * @param  list<PartStep>  $steps  the newest first; none if no version knows the part
     * @param  int  $older  how many older ones are not shown
     */
    public function __construct(public string $name, public array $steps, public int $older) {}
}
