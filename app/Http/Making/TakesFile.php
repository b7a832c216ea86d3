<?php

declare(strict_types=1);

namespace App\Http\Making;

use App\Making\ReadFile;

/** A file that is read, no larger than is read. */
trait TakesFile
{
    /** @return list<string> */
    private function fileRules(string ...$further): array
    {
        return [...array_values($further), 'file', 'max:'.ReadFile::MOST_KB];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        $big = (string) __('item.file_big', ['max' => (string) intdiv(ReadFile::MOST_KB, 1024)]);

        return ['file.max' => $big, 'file.uploaded' => $big, 'file.required_without' => (string) __('item.file_none')];
    }
}
