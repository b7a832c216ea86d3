<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate\Data;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Report\Widget;

/**
 * Whether a change of a dataset leaves a widget nothing to count. Only records that changed are looked at until the last one seems to have
 * gone.
 */
final class Emptied
{
    /**
     * @param  Records  $gone  the records that went or changed, as they were
     * @param  Records  $came  those that came or changed, as they are
     * @param  \Closure(): Records  $before  all of them, as they were
     */
    public static function by(Part $part, Part $page, Records $gone, Records $came, \Closure $before): bool
    {
        $widget = new Widget($part);
        $count = function (Records $records) use ($widget, $page): ?int {
            $counted = new Counted($widget, $records, $widget->filtersOf($page), Widget::period($page));

            return $counted->problems === [] ? count($counted->rows) : null;
        };
        $lost = $count($gone);

        return $lost !== null && $lost > 0 && $count($came) === 0 && $count($before()) === $lost;
    }
}
