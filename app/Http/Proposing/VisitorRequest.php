<?php

declare(strict_types=1);

namespace App\Http\Proposing;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Str;

/**
 * What is sent by a link: a name, the state that was shown, and the texts. What does not fit counts as nothing: without a session nothing
 * can be said of it on another page.
 */
final class VisitorRequest extends FormRequest
{
    private const NAME = 60;

    /** Bytes of what is added at the end. */
    private const MOST = 1_000_000;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [];
    }

    /** @return array{tab: string, from: int} which page of the item, by the address */
    public function asked(): array
    {
        $tab = $this->query('tab');
        $from = $this->query('from');

        return [
            'tab' => is_string($tab) ? $tab : '',
            'from' => is_string($from) && preg_match('/^\d{1,7}$/D', $from) === 1 ? (int) $from : 0,
        ];
    }

    /** @return array{name: string, base: string, parts: array<mixed>, added: string} */
    public function fields(): array
    {
        $text = function (string $name): string {
            $value = $this->input($name);

            return is_string($value) && mb_check_encoding($value, 'UTF-8') && strlen($value) <= self::MOST ? $value : '';
        };
        $parts = $this->input('parts');

        return [
            'name' => Str::limit(Str::squish(strip_tags($text('name'))), self::NAME, ''),
            'base' => preg_match('/^[0-9a-f]{40}$/', $text('base')) === 1 ? $text('base') : '',
            'parts' => is_array($parts)
                ? array_map(
                    fn (mixed $fields): array => is_array($fields)
                        ? array_filter($fields, fn (mixed $value) => is_string($value) && mb_check_encoding($value, 'UTF-8'))
                        : [],
                    $parts,
                )
                : [],
            'added' => $text('added'),
        ];
    }
}
