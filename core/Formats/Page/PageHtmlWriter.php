<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Page;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Document\HtmlWriter;
use MistyAttic\Core\Formats\Writer;
use MistyAttic\Core\Kinds\Page\PageRole;

/** A page as one self-contained file (HTML Living Standard), laid out in its columns; {@see PageHtmlReader} reads it back. */
final class PageHtmlWriter implements Writer
{
    private const STYLE = 'body{margin:0;font:1.05rem/1.6 Georgia,serif;color:#20302f;background:#fcfbf7}main>section{padding:1.5rem}main>section>*{max-width:62rem;margin-left:auto;margin-right:auto}.tinted{background:#e6ecea}.deep{background:#20302f;color:#fcfbf7}.deep a{color:inherit}.columns{display:grid;gap:1.75rem}img{max-width:100%;height:auto}figure{margin:0 0 1rem}figcaption{font-size:.85rem}aside{margin:0 0 1rem;padding:.6rem 1rem;border-left:4px solid #2e6f8e}aside.good{border-color:#1f7a5c}aside.warning{border-color:#a8432d}table{border-collapse:collapse}th,td{padding:.2rem 1rem .2rem 0;text-align:left;font-weight:400}nav ul{padding-left:1.2rem}address{margin:0 0 1rem;font-style:normal}p.button a{display:inline-block;padding:.5rem 1rem;background:#20302f;color:#fcfbf7;text-decoration:none}.deep p.button a{background:#fcfbf7;color:#20302f}p.figure{padding:.6rem 1rem;border:1px solid #a9b8b5}@media(min-width:45rem){.columns{grid-template-columns:repeat(12,1fr)}';

    public function mediaType(): string
    {
        return 'text/html; charset=utf-8';
    }

    public function write(string $title, PartTree $tree, \Closure $picture): string
    {
        $widths = implode('', array_map(fn (int $width) => "[data-width=\"{$width}\"]{grid-column:span {$width}}", range(1, 12)));

        return "<!doctype html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\">\n<meta name=\"viewport\" content=\"width=device-width\">\n<title>"
            .self::text($title)
            ."</title>\n<style>"
            .self::STYLE
            ."{$widths}}</style>\n</head>\n<body>\n<main>\n"
            .self::content($tree, $picture)
            ."</main>\n</body>\n</html>\n";
    }

    /**
     * The sections alone, which is what people read as a page's source.
     *
     * @param  \Closure(string): ?string  $picture
     * @param  (\Closure(string): string)|null  $named  further attributes, ` name="value"`, of what shows a part, by its id
     */
    public static function content(PartTree $tree, \Closure $picture, ?\Closure $named = null): string
    {
        $named ??= static fn (string $id): string => '';
        $html = '';
        foreach ($tree->children()[PartTree::ROOT] ?? [] as $section) {
            $part = $tree->get($section);
            $html .= "<section{$named($section)} class=\"".self::text($part->string('background'))."\">\n"
                .($part->string('title') === '' ? '' : '<h1 class="title">'.self::text($part->string('title'))."</h1>\n")
                ."<div class=\"columns\">\n";
            foreach ($tree->children()[$section] ?? [] as $column) {
                $html .= "<div{$named($column)} data-width=\"{$tree->get($column)->int('width')}\">\n"
                .self::column($tree, $column, $picture, $named)
                ."</div>\n";
            }
            $html .= "</div>\n</section>\n";
        }

        return $html;
    }

    /**
     * @param  \Closure(string): ?string  $picture
     * @param  \Closure(string): string  $named
     */
    private static function column(PartTree $tree, string $column, \Closure $picture, \Closure $named): string
    {
        $html = '';
        $list = null;
        foreach ($tree->children()[$column] ?? [] as $id) {
            $part = $tree->get($id);
            $needed = $part->role !== PageRole::Text->value ? null : match ($part->string('style')) {
                'bullet' => 'ul',
                'number' => 'ol',
                default => null,
            };
            if ($needed !== $list) {
                $html .= ($list === null ? '' : "</{$list}>\n").($needed === null ? '' : "<{$needed}>\n");
                $list = $needed;
            }
            $block = $needed === null ? self::block($part, $picture) : '<li>'.HtmlWriter::inline($part->richText())."</li>\n";
            // Each is one element, which begins with its name.
            $html .= substr_replace($block, $named($id), strcspn($block, ' >'), 0);
        }

        return $html.($list === null ? '' : "</{$list}>\n");
    }

    /** @param \Closure(string): ?string $picture */
    private static function block(Part $part, \Closure $picture): string
    {
        $inline = HtmlWriter::inline($part->richText());
        $title = $part->string('title') === '' ? '' : self::text($part->string('title'));

        return match (PageRole::from($part->role)) {
            PageRole::Heading => '<h'.($part->int('level') + 1).">{$inline}</h".($part->int('level') + 1).">\n",
            PageRole::Text => "<p>{$inline}</p>\n",
            PageRole::CallOut => '<aside class="'.self::text($part->string('tone'))."\"><p>{$inline}</p></aside>\n",
            PageRole::Picture => '<figure><img src="'
                .self::text($picture($part->string('chunk')) ?? '')
                .'" alt="'
                .self::text($part->string('alt'))
                .'">'
                .($part->string('caption') === '' ? '' : '<figcaption>'.self::text($part->string('caption')).'</figcaption>')
                ."</figure>\n",
            PageRole::Button => '<p class="button">'.self::link($part->string('label'), $part->string('target'))."</p>\n",
            PageRole::Links => ($title === '' ? '<nav>' : "<nav aria-label=\"{$title}\">")
                .($title === '' ? '' : "<strong>{$title}</strong>")
                ."<ul>\n"
                .self::pairs(
                    $part,
                    'labels',
                    'targets',
                    fn (string $label, string $target) => '<li>'.self::link($label, $target)."</li>\n",
                )
                ."</ul></nav>\n",
            PageRole::Hours => '<table class="hours">'
                .($title === '' ? '' : "<caption>{$title}</caption>")
                ."\n"
                .self::pairs(
                    $part,
                    'days',
                    'times',
                    fn (string $day, string $time) => '<tr><th>'.self::text($day).'</th><td>'.self::text($time)."</td></tr>\n",
                )
                ."</table>\n",
            PageRole::Contact => '<address><strong>'
                .self::text($part->string('name'))
                .'</strong>'
                .implode('', array_map(fn (string $line) => "<br>\n".self::text($line), $part->strings('lines')))
                ."</address>\n",
            PageRole::Figure => '<p class="figure">'.self::link($part->string('label'), $part->string('source'))."</p>\n",
            PageRole::Divider => "<hr>\n",
            PageRole::Section, PageRole::Column => '',
        };
    }

    /** @param \Closure(string, string): string $write */
    private static function pairs(Part $part, string $first, string $second, \Closure $write): string
    {
        $seconds = $part->strings($second);

        return implode(
            '',
            array_map(
                fn (string $one, int $at) => $write($one, $seconds[$at] ?? ''),
                $part->strings($first),
                array_keys($part->strings($first)),
            ),
        );
    }

    private static function link(string $label, string $target): string
    {
        return $target === ''
            ? self::text($label)
            : '<a href="'.self::text($target).'">'.self::text($label === '' ? $target : $label).'</a>';
    }

    private static function text(string $text): string
    {
        return HtmlWriter::escape($text);
    }
}
