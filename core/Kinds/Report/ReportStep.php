<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Report;

/** A step of laying out a report. */
enum ReportStep: string
{
    /** A page behind the others, with a `title`. */
    case AddPage = 'page-add';

    /** The settings of a page: `title`, `source` and `filters` for all its charts, `from` and `to` of its period. */
    case SetPage = 'page-set';

    /** A page is carried `by` so many places. */
    case MovePage = 'page-move';

    case RemovePage = 'page-remove';

    /** A widget of a `type` onto a page, where there is room. */
    case AddWidget = 'widget-add';

    /** The settings of a widget; where it is stays. */
    case SetWidget = 'widget-set';

    /** A widget goes to `x` and `y`, or becomes `across` and `down` large; others give way. */
    case PlaceWidget = 'widget-place';

    case CopyWidget = 'widget-copy';

    /** A widget goes onto another `page`. */
    case ToPage = 'widget-page';

    case RemoveWidget = 'widget-remove';
}
