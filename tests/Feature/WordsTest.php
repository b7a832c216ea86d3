<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Arr;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** All texts of pages and scripts are in `lang`, under keys that are there and used. */
final class WordsTest extends TestCase
{
    private const WORDS = __DIR__.'/../../lang/en/';

    public function test_views_say_nothing_by_themselves(): void
    {
        $said = [];
        foreach ($this->files('resources/views', '.blade.php') as $name => $view) {
            // Comments, code, echoes, drawings, directives with what they are given, tags.
            $tags = (string) preg_replace([
                '/\{\{--.*?--\}\}|@php\b(?!\().*?@endphp/s', '/<(script|style)\b.*?<\/\1>/s', '/\{\{.*?\}\}|\{!!.*?!!\}/s',
                '/\B@\w+(?:\s*(\((?:[^()\'"]+|\'(?:[^\'\\\\]|\\\\.)*\'|"(?:[^"\\\\]|\\\\.)*"|(?1))*\)))?/s',
            ], ' ', $view);
            $text = (string) preg_replace('/<[^<>"]*(?:"[^"]*"[^<>"]*)*>|&\w+;/s', ' ', $tags);
            preg_match_all('/\s(?:aria-label|title|placeholder|alt|data-slow|data-some)="[^"]*[A-Za-z]{2}[^"]*"/', $tags, $labels);
            preg_match_all('/[^\s<>]*[A-Za-z]{2}[^<>\n]*/', $text, $found);
            foreach ([...$found[0], ...$labels[0]] as $words) {
                $said[] = "{$name}: ".trim($words);
            }
        }
        self::assertSame([], $said);
    }

    /** Errors that nobody is shown, names of headers and the command line are no texts. */
    public function test_the_application_says_nothing_by_itself(): void
    {
        $said = [];
        foreach ($this->files('app', '.php') as $name => $code) {
            $code = preg_match('~^(Console|CommandLine|Report)/~', $name) === 1 ? '' : preg_replace("/Exception\\(.*|'(Link|Vary|Location|Refresh)'/", '', $code);
            preg_match_all("/(?:=>|\\?|:|\\.|return|\\(|\\[|,) *'([A-Z][a-z’]+(?: [a-z’…]+)*[.…]?)'/", (string) $code, $found);
            foreach ($found[1] as $words) {
                $said[] = "{$name}: {$words}";
            }
        }
        self::assertSame([], $said);
    }

    public function test_every_key_is_there_and_every_text_is_used(): void
    {
        $there = [];
        foreach ($this->files('lang/en/views', '.php') as $name => $unused) {
            foreach (Arr::dot(require self::WORDS."views/{$name}") as $key => $text) {
                $there['views/'.substr($name, 0, -4).".{$key}"] = $text;
            }
        }
        preg_match_all('~\'(views/[a-z/-]+\.[\w.-]+)\'~', implode("\n", $this->files('resources/views', '.blade.php')), $used);
        self::assertEqualsCanonicalizing(array_keys($there), array_values(array_unique($used[1])));
        self::assertSame(array_filter($there, is_string(...)), $there);
        // That a script names a key that is there is seen by its types; what it says is none of its own.
        $scripts = implode("\n", $this->files('resources/js', '.js'));
        $texts = (array) json_decode((string) file_get_contents(self::WORDS.'scripts.json'), true, flags: JSON_THROW_ON_ERROR);
        preg_match_all('/(?:\.(?:title|textContent|placeholder)\s*=|append\(|\'aria-label\',)\s*[`\']([A-Z][a-z][^`\']*)/', $scripts, $said);
        self::assertSame([], $said[1]);
        self::assertSame([], array_values(array_filter(array_keys($texts), fn (string|int $key) => ! str_contains($scripts, "'{$key}'"))));
    }

    /** @return array<string, string> name => what is in it */
    private function files(string $folder, string $ending): array
    {
        $root = dirname(__DIR__, 2)."/{$folder}";
        $files = [];
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root, RecursiveDirectoryIterator::SKIP_DOTS)) as $file) {
            if ($file instanceof SplFileInfo && str_ends_with($file->getFilename(), $ending)) {
                $files[substr($file->getPathname(), strlen($root) + 1)] = (string) file_get_contents($file->getPathname());
            }
        }

        return $files;
    }
}
