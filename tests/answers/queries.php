<?php

declare(strict_types=1);

use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;

/**
 * Listens for queries that are asked while a view is drawn: what a page shows is read before, or by the constructors of components.
 *
 * @return ArrayObject<int, string> gets a line for each: the view and the query
 */
return static function (): ArrayObject {
    /** @var ArrayObject<int, string> $asked */
    $asked = new ArrayObject;
    DB::listen(function (QueryExecuted $query) use ($asked): void {
        foreach (debug_backtrace(DEBUG_BACKTRACE_IGNORE_ARGS) as $frame) {
            if (str_starts_with($frame['class'] ?? '', 'App\View\Components\\') && $frame['function'] === '__construct') {
                return;
            }
            $file = $frame['file'] ?? '';
            if (str_contains($file, '/storage/framework/views/')) {
                preg_match('~\*PATH .*/(views/\S+) ENDPATH~', (string) file_get_contents($file), $view);
                $asked[] = ($view[1] ?? $file).' asks: '.mb_strimwidth($query->sql, 0, 120, '…');

                return;
            }
        }
    });

    return $asked;
};
