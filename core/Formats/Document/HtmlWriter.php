<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Writer;
use MistyAttic\Core\Kinds\Document\DocumentRole;
use MistyAttic\Core\Kinds\Numbering;

/** A document as one self-contained page (HTML Living Standard); pictures are inside. */
final class HtmlWriter implements Writer
{
    private const TAGS = [
        'bold' => 'strong',
        'code' => 'code',
        'italic' => 'em',
        'lowered' => 'sub',
        'raised' => 'sup',
        'strike' => 's',
        'underline' => 'u',
    ];

    /** @var array<string, array{int, bool}>|null numbered item => its number, and whether it begins */
    private ?array $numbers = null;

    public function mediaType(): string
    {
        return 'text/html; charset=utf-8';
    }

    public function write(string $title, PartTree $tree, \Closure $picture): string
    {
        $name = self::escape($title);
        $this->numbers = null;

        return "<!doctype html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\">\n<meta name=\"viewport\" content=\"width=device-width\">\n<title>{$name}</title>\n</head>\n<body>\n"
            .$this->blocks($tree, PartTree::ROOT, $picture)
            ."</body>\n</html>\n";
    }

    /** @param \Closure(string): ?string $picture */
    private function blocks(PartTree $tree, string $parent, \Closure $picture): string
    {
        $html = '';
        $list = null;
        $numbers = $this->numbers ??= Numbering::of($tree);
        foreach ($tree->children()[$parent] ?? [] as $id) {
            $part = $tree->get($id);
            $needed = $part->role === DocumentRole::ListItem->value ? ($part->string('style') === 'number' ? 'ol' : 'ul') : null;
            [$number, $begins] = $numbers[$id] ?? [1, false];
            if ($needed !== $list || ($list === 'ol' && $begins)) {
                $html .= ($list === null ? '' : "</{$list}>\n")
                .($needed === null ? '' : "<{$needed}".($number === 1 ? '' : " start=\"{$number}\"").">\n");
                $list = $needed;
            }
            $html .= $this->block($tree, $part, $picture);
        }

        return $html.($list === null ? '' : "</{$list}>\n");
    }

    /** @param \Closure(string): ?string $picture */
    private function block(PartTree $tree, Part $part, \Closure $picture): string
    {
        $text = self::inline($part->richText());

        return match (DocumentRole::from($part->role)) {
            DocumentRole::Heading => "<h{$part->int('level')}>{$text}</h{$part->int('level')}>\n",
            DocumentRole::Paragraph => "<p>{$text}</p>\n",
            DocumentRole::Quote => "<blockquote><p>{$text}</p></blockquote>\n",
            DocumentRole::Code => '<pre><code>'.self::escape($part->richText()->text())."</code></pre>\n",
            DocumentRole::ListItem => '<li>'.$this->tick($part).$text.$this->nested($tree, $part, $picture)."</li>\n",
            DocumentRole::Table => "<table>\n{$this->blocks($tree, $part->id, $picture)}</table>\n",
            DocumentRole::Row => "<tr>{$this->blocks($tree, $part->id, $picture)}</tr>\n",
            DocumentRole::Cell => ($part->fields['head'] ?? false) === true ? "<th>{$text}</th>" : "<td>{$text}</td>",
            DocumentRole::Picture => '<p><img src="'
                .self::escape($picture($part->string('chunk')) ?? '')
                .'" alt="'
                .self::escape($part->string('alt'))
                ."\"></p>\n",
            DocumentRole::Rule => "<hr>\n",
        };
    }

    private function tick(Part $part): string
    {
        if ($part->string('style') !== 'task') {
            return '';
        }

        return '<input type="checkbox" disabled'.(($part->fields['done'] ?? false) === true ? ' checked' : '').'> ';
    }

    /** @param \Closure(string): ?string $picture */
    private function nested(PartTree $tree, Part $part, \Closure $picture): string
    {
        $below = $this->blocks($tree, $part->id, $picture);

        return $below === '' ? '' : "\n{$below}";
    }

    public static function inline(RichText $text): string
    {
        $html = '';
        foreach ($text->runs as $run) {
            $piece = str_replace("\n", "<br>\n", self::escape($run->text));
            foreach (self::TAGS as $mark => $tag) {
                if (isset($run->marks[$mark])) {
                    $piece = "<{$tag}>{$piece}</{$tag}>";
                }
            }
            $html .= isset($run->marks['link']) ? '<a href="'.self::escape((string) $run->marks['link'])."\">{$piece}</a>" : $piece;
        }

        return $html;
    }

    public static function escape(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5, 'UTF-8');
    }
}
