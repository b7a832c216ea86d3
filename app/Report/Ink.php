<?php

declare(strict_types=1);

namespace App\Report;

/** How changes look in a terminal: form says what, colour only helps; without colour, signs do. */
final readonly class Ink
{
    public function __construct(private bool $coloured) {}

    public function added(string $text): string
    {
        return $this->coloured ? $this->set('4;34', $text) : $text;
    }

    public function removed(string $text): string
    {
        return $this->coloured ? $this->set('9;33', $text) : $text;
    }

    public function addedWords(string $text): string
    {
        return $this->coloured ? $this->set('4;34', $text) : "«+{$text}+»";
    }

    public function removedWords(string $text): string
    {
        return $this->coloured ? $this->set('9;33', $text) : "«−{$text}−»";
    }

    public function strong(string $text): string
    {
        return $this->coloured ? $this->set('1', $text) : $text;
    }

    public function faint(string $text): string
    {
        return $this->coloured ? $this->set('2', $text) : $text;
    }

    private function set(string $codes, string $text): string
    {
        return "\e[{$codes}m{$text}\e[0m";
    }
}
