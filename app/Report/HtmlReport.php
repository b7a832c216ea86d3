<?php

declare(strict_types=1);

namespace App\Report;

use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Telling\Layout;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Compare\Texts\Span;
use MistyAttic\Core\Compare\Texts\SpanKind;
use MistyAttic\Core\Compare\Texts\TextCompare;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Files\FileComparison;

/** A comparison as one page that holds all that it needs. All text of the files is escaped. */
final class HtmlReport
{
    private readonly Words $words;

    private readonly PartLine $line;

    /** @param list<string> $sentences */
    public function __construct(
        private readonly FileComparison $comparison,
        private readonly array $sentences,
        private readonly string $counts,
    ) {
        $this->words = new Words;
        $this->line = new PartLine($comparison->kind, $comparison->old, $comparison->new);
    }

    public function page(string $old, string $new): string
    {
        $title = e(basename($old).' → '.basename($new));
        $style = (string) file_get_contents(__DIR__.'/report.css');
        $list = implode('', array_map(fn (string $sentence) => '<li>'.e($sentence).'</li>', $this->sentences));
        $coarse = $this->comparison->exact
            ? ''
            : '<p class="coarse">Coarse: somewhere there was more to search than the limit, so a shorter telling may exist.</p>';
        $body = $this->comparison->kind === null ? $this->lines() : $this->parts();

        return "<!doctype html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\">\n<meta name=\"viewport\" content=\"width=device-width\">\n<meta http-equiv=\"Content-Security-Policy\" content=\"default-src 'none'; style-src 'unsafe-inline'\">\n<title>{$title}</title>\n<style>\n{$style}</style>\n</head>\n<body>\n<header><h1>"
            .e(basename($old))
            .' <span class="to">to</span> '
            .e(basename($new))
            .'</h1><p>'
            .e($this->counts)
            ."</p></header>\n<main>\n<section class=\"what\" aria-labelledby=\"what\"><h2 id=\"what\">What changed</h2>{$coarse}<ul>{$list}</ul></section>\n<section class=\"how\" aria-labelledby=\"how\"><h2 id=\"how\">Where</h2>\n{$body}</section>\n</main>\n</body>\n</html>\n";
    }

    private function lines(): string
    {
        $html = '';
        foreach ($this->comparison->lines->hunks ?? [] as $hunk) {
            $html .= '<p class="place">line '
            .($hunk->at + 1)
            .'</p><pre>'
            .$this->plainLines($hunk->before)
            .(count($hunk->removed) === count($hunk->added)
                ? implode(
                    '',
                    array_map(
                        fn (string $was, string $is) => $this->text(
                            RichText::plain(mb_scrub(rtrim($was, "\r\n"))),
                            RichText::plain(mb_scrub(rtrim($is, "\r\n"))),
                        )."\n",
                        $hunk->removed,
                        $hunk->added,
                    ),
                )
                : $this->plainLines($hunk->removed, 'del').$this->plainLines($hunk->added, 'ins'))
            .$this->plainLines($hunk->after)
            .'</pre>';
        }

        return $html;
    }

    /** @param list<string> $lines */
    private function plainLines(array $lines, ?string $tag = null): string
    {
        return implode('', array_map(function (string $line) use ($tag): string {
            $text = e(mb_scrub(rtrim($line, "\r\n")));

            return ($tag === null ? $text : "<{$tag}>{$text}</{$tag}>")."\n";
        }, $lines));
    }

    private function parts(): string
    {
        $html = '';
        $table = false;
        $skipped = 0;
        $open = array_reverse(Layout::of($this->comparison->old, $this->comparison->new, $this->comparison->changes));
        while ($open !== []) {
            $marked = array_pop($open);
            array_push($open, ...array_reverse($marked->children));
            $row = $this->line->isRow($marked->part);
            $same = $marked->state === null && ! $marked->edited && $marked->movedFrom === null;
            // Of a table, only what changed; the heading for what the columns are.
            if ($row && $same && $table) {
                $skipped++;

                continue;
            }
            if ($row !== $table) {
                $html .= $row ? "<table>\n" : "</table>\n";
                $table = $row;
            }
            $html .= $skipped > 0 && $row
                ? '<tr class="gap"><td colspan="100">'.$skipped.($skipped === 1 ? ' row' : ' rows')." unchanged</td></tr>\n"
                : '';
            $skipped = 0;
            $html .= $row ? $this->row($marked) : $this->block($marked);
        }

        return $html.($table ? "</table>\n" : '');
    }

    private function block(MarkedPart $marked): string
    {
        $part = $marked->part;
        $line = $this->line->of($part);
        if ($line === '' && $marked->state === null && ! $marked->edited) {
            return '';
        }
        $tag = $part->role === 'heading' || ($part->depth === 0 && $this->comparison->kind?->grid() !== null) ? 'h3' : 'p';
        $class = $marked->movedFrom === null ? '' : ' class="moved"';
        $lead = $part->role === 'heading' ? '' : e($this->line->before($part));
        $body = match (true) {
            $marked->state === ChangeType::Added => '<ins>'.e($line).'</ins>',
            $marked->state === ChangeType::Removed => '<del>'.e($line).'</del>',
            $marked->edited && $marked->before !== null && ! $marked->before->richText()->equals($part->richText()) => $lead
                .$this->text($marked->before->richText(), $part->richText()),
            $part->role === 'heading' => e($part->richText()->text()),
            $marked->edited => e($this->line->name($part)),
            default => e($line),
        };
        $depth = min(6, $part->depth);

        return "<div class=\"in-{$depth}\"><{$tag}{$class}>{$body}</{$tag}>".$this->fields($marked)."</div>\n";
    }

    private function fields(MarkedPart $marked): string
    {
        $html = '';
        foreach (
            $marked->edited && $marked->before !== null ? $this->line->fields($marked->before, $marked->part) : [] as [$name, $was, $is]
        ) {
            if (! (($marked->part->fields[str_replace(' ', '_', $name)] ?? null) instanceof RichText)) {
                $html .= '<dt>'
                .e($name)
                .'</dt><dd>'
                .($was === '' ? '' : '<del>'.e($was).'</del> ')
                .($is === '' ? '' : '<ins>'.e($is).'</ins>')
                .'</dd>';
            }
        }

        return $html === '' ? '' : "<dl>{$html}</dl>";
    }

    private function row(MarkedPart $marked): string
    {
        $cells = implode(
            '',
            array_map(function (string $column) use ($marked): string {
                $is = e(PartLine::shown($marked->part->fields[$column] ?? null));
                $was = $marked->before === null ? '' : e(PartLine::shown($marked->before->fields[$column] ?? null));

                return '<td>'
                    .match (true) {
                        $marked->state === ChangeType::Added => $is === '' ? '' : "<ins>{$is}</ins>",
                        $marked->state === ChangeType::Removed => $is === '' ? '' : "<del>{$is}</del>",
                        $marked->before !== null
                            && ! Part::same($marked->before->fields[$column] ?? null, $marked->part->fields[$column] ?? null)
                            => ($was === '' ? '' : "<del>{$was}</del> ").($is === '' ? '' : "<ins>{$is}</ins>"),
                        default => $is,
                    }
                .'</td>';
            }, $this->line->columnsOf($marked->part)),
        );

        return '<tr'.($marked->movedFrom === null ? '' : ' class="moved"').">{$cells}</tr>\n";
    }

    private function text(RichText $old, RichText $new): string
    {
        return implode('', array_map(fn (Span $span) => match ($span->kind) {
            SpanKind::Added, SpanKind::Came => '<ins>'.e($span->text->text()).'</ins>',
            SpanKind::Removed, SpanKind::Went => '<del>'.e($span->text->text()).'</del>',
            SpanKind::Formatted => '<span class="formatted">'.e($span->text->text()).'</span>',
            SpanKind::Same => e($span->text->text()),
        }, TextCompare::of($old, $new, $this->words)->spans()));
    }
}
