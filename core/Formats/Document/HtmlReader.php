<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use DOMElement;
use DOMNode;
use DOMText;
use Masterminds\HTML5;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Reader;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Formats\Xml;
use MistyAttic\Core\Kinds\Document\DocumentRole;
use Symfony\Component\HtmlSanitizer\HtmlSanitizer;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;

/** HTML (Living Standard) as a document: what is no heading, text, list, table or picture is left out by the sanitizer. */
final class HtmlReader implements Reader
{
    /** Elements that go, while what is in them stays. */
    private const SHELLS = 'span font label form center small big mark time abbr cite q body html details summary picture tt var dfn wbr bdi bdo';

    private const MARKS = [
        'b' => 'bold',
        'strong' => 'bold',
        'i' => 'italic',
        'em' => 'italic',
        's' => 'strike',
        'del' => 'strike',
        'strike' => 'strike',
        'sup' => 'raised',
        'sub' => 'lowered',
        'u' => 'underline',
        'ins' => 'underline',
        'code' => 'code',
        'kbd' => 'code',
        'samp' => 'code',
    ];

    private const BLOCKS = [
        'h1',
        'h2',
        'h3',
        'h4',
        'h5',
        'h6',
        'p',
        'ul',
        'ol',
        'blockquote',
        'pre',
        'table',
        'hr',
        'div',
        'section',
        'article',
        'main',
        'header',
        'footer',
        'figure',
        'dl',
        'dt',
        'dd',
        'li',
        'figcaption',
        'nav',
        'aside',
        'address',
    ];

    /** Empty elements, and those whose end is often left out. */
    private const UNNESTED = [
        'br',
        'hr',
        'img',
        'input',
        'meta',
        'link',
        'col',
        'wbr',
        'source',
        'area',
        'base',
        'embed',
        'track',
        'p',
        'li',
        'td',
        'th',
        'tr',
        'dt',
        'dd',
        'option',
    ];

    private const MOST_TAGS = 120_000;

    /** Of one tag. */
    private const MOST_ATTRIBUTES = 500;

    private DocumentBuilder $builder;

    public function read(string $bytes, FormatLimits $limits): Content
    {
        if (strlen($bytes) > $limits->tree) {
            throw Unreadable::because('HTML is read up to '.intdiv($limits->tree, 1_048_576).' MB');
        }
        $bytes = mb_scrub(str_replace("\0", '', $bytes));
        self::checkShape($bytes, $limits->depth);
        $body = preg_match('~<body\b[^>]*>(.*?)(</body\s*>|$)~is', $bytes, $found) === 1
            ? $found[1]
            : (string) preg_replace('~<head\b.*?</head\s*>|<!doctype[^>]*>~is', '', $bytes);
        $clean = (new HtmlSanitizer(self::allowed()))->sanitize($body);
        $this->builder = new DocumentBuilder($limits);
        $this->flow((new HTML5(['disable_html_ns' => true]))->loadHTMLFragment($clean));

        return $this->builder->content();
    }

    /** What a document has a place for; of what only holds other things, these are kept. */
    private static function allowed(): HtmlSanitizerConfig
    {
        $config = (new HtmlSanitizerConfig)
            ->withMaxInputLength(-1)
            ->allowRelativeLinks()
            ->allowRelativeMedias()
            ->allowLinkSchemes(['http', 'https', 'mailto', 'tel'])
            ->allowMediaSchemes(['http', 'https', 'data']);
        foreach ([...self::BLOCKS, ...array_keys(self::MARKS), 'br', 'thead', 'tbody', 'tfoot', 'tr', 'caption'] as $element) {
            $config = $config->allowElement($element);
        }
        foreach (explode(' ', self::SHELLS) as $element) {
            $config = $config->blockElement($element);
        }

        return $config
            ->allowElement('a', ['href'])
            ->allowElement('img', ['src', 'alt'])
            ->allowElement('td', ['colspan'])
            ->allowElement('th', ['colspan'])
            ->allowElement('input', ['type', 'checked'])
            ->allowElement('ol', ['start'])
            ->allowElement('li', ['value']);
    }

    /** Blocks are read one by one; what is loose between them is a paragraph. */
    private function flow(DOMNode $node, DocumentRole $role = DocumentRole::Paragraph): void
    {
        $loose = [];
        foreach ($node->childNodes as $child) {
            $name = strtolower($child->nodeName);
            if (! $child instanceof DOMElement || ! in_array($name, [...self::BLOCKS, 'img'], true)) {
                array_push($loose, ...$this->inline($child, []));

                continue;
            }
            $this->builder->paragraph($loose, $role);
            $loose = [];
            $this->block($child, $name, $role);
        }
        $this->builder->paragraph($loose, $role);
    }

    private function block(DOMElement $element, string $name, DocumentRole $role): void
    {
        match ($name) {
            'h1', 'h2', 'h3', 'h4', 'h5', 'h6' => $this->builder->heading((int) $name[1], $this->children($element)),
            'p', 'dt', 'figcaption', 'address' => $this->paragraph($element, $role),
            'ul', 'ol' => $this->list($element, 0),
            'blockquote' => $this->flow($element, DocumentRole::Quote),
            'pre' => $this->builder->paragraph([new Run(rtrim($element->textContent, "\n"))], DocumentRole::Code),
            'table' => $this->table($element),
            'hr' => $this->builder->rule(),
            'img' => $this->picture($element),
            default => $this->flow($element, $role),
        };
    }

    private function paragraph(DOMElement $element, DocumentRole $role): void
    {
        $this->builder->paragraph($this->children($element), $role);
        foreach (iterator_to_array($element->getElementsByTagName('img')) as $picture) {
            $this->picture($picture);
        }
    }

    private function picture(DOMElement $element): void
    {
        $source = $element->getAttribute('src');
        $bytes = preg_match('~^data:image/[a-z.+-]+;base64,(.+)$~s', $source, $found) === 1 ? base64_decode($found[1], true) : false;
        $this->builder->picture($bytes === false ? $source : $bytes, $element->getAttribute('alt'), $bytes !== false);
    }

    private function list(DOMElement $list, int $depth): void
    {
        $number = is_numeric($list->getAttribute('start')) ? (int) $list->getAttribute('start') : 1;
        foreach (Xml::children($list) as $item) {
            if (in_array(strtolower($item->nodeName), ['ul', 'ol'], true)) {
                $this->list($item, $depth + 1);

                continue;
            }
            $number = is_numeric($item->getAttribute('value')) ? (int) $item->getAttribute('value') : $number;
            $runs = $below = [];
            $task = null;
            foreach ($item->childNodes as $child) {
                $name = strtolower($child->nodeName);
                if ($child instanceof DOMElement && ($name === 'ul' || $name === 'ol')) {
                    $below[] = $child;
                } elseif ($child instanceof DOMElement && $name === 'input') {
                    $task = $child->hasAttribute('checked');
                } else {
                    $own = $this->inline($child, []);
                    $breaks = $runs !== [] && $own !== [] && in_array($name, self::BLOCKS, true);
                    $runs = [...$runs, ...($breaks ? [new Run("\n")] : []), ...$own];
                }
            }
            $this->builder->item(
                $depth,
                self::collapsed($runs),
                $task !== null ? 'task' : (strtolower($list->nodeName) === 'ol' ? 'number' : 'bullet'),
                $task ?? false,
                $number++,
            );
            foreach ($below as $inner) {
                $this->list($inner, $depth + 1);
            }
        }
    }

    private function table(DOMElement $table): void
    {
        $rows = [];
        foreach (iterator_to_array($table->getElementsByTagName('tr')) as $row) {
            for ($of = $row->parentNode; $of !== null && strtolower($of->nodeName) !== 'table'; $of = $of->parentNode);
            if ($of !== $table) {
                // Of a table in a cell, which is text of that cell.
                continue;
            }
            $cells = [];
            foreach (Xml::children($row, 'td', 'th') as $cell) {
                $cells[] = [$cell->nodeName === 'th', $this->children($cell)];
                for ($span = min(100, (int) $cell->getAttribute('colspan')); $span > 1; $span--) {
                    $cells[] = [$cell->nodeName === 'th', []];
                }
            }
            $rows[] = $cells;
        }
        $this->builder->table($rows);
    }

    /** @return list<Run> */
    private function children(DOMElement $element): array
    {
        $runs = [];
        foreach ($element->childNodes as $child) {
            array_push($runs, ...$this->inline($child, []));
        }

        return self::collapsed($runs);
    }

    /**
     * @param  array<string, true|string>  $marks
     * @return list<Run>
     */
    private function inline(DOMNode $node, array $marks): array
    {
        if ($node instanceof DOMText) {
            return [new Run((string) preg_replace('/[ \t\r\n\f]+/', ' ', $node->data), $marks)];
        }
        $name = strtolower($node->nodeName);
        if (! $node instanceof DOMElement || $name === 'br') {
            return $name === 'br' ? [new Run("\n", $marks)] : [];
        }
        $marks = match (true) {
            $name === 'a' && $node->hasAttribute('href') => [...$marks, 'link' => $node->getAttribute('href')],
            isset(self::MARKS[$name]) => [...$marks, self::MARKS[$name] => true],
            default => $marks,
        };
        $runs = [];
        foreach ($node->childNodes as $child) {
            array_push($runs, ...$this->inline($child, $marks));
        }
        // What is below each other goes on in a new line.
        $end = in_array($name, ['td', 'th'], true) ? ' ' : ($name === 'tr' || in_array($name, self::BLOCKS, true) ? "\n" : '');

        return $end === '' || $runs === [] ? $runs : [...($name === 'table' ? [new Run("\n")] : []), ...$runs, new Run($end)];
    }

    /**
     * Spaces at the joint of two runs count once, and none count around a line break.
     *
     * @param  list<Run>  $runs
     * @return list<Run>
     */
    private static function collapsed(array $runs): array
    {
        $collapsed = [];
        $before = ' ';
        foreach ($runs as $run) {
            $text = (string) preg_replace('/ *\n */', "\n", $run->text);
            $text = $before === ' ' || $before === "\n" ? ltrim($text, ' ') : $text;
            if ($text !== '') {
                $collapsed[] = new Run($text, $run->marks);
                $before = substr($text, -1);
            }
        }

        return $collapsed;
    }

    /**
     * What a parser takes long for is not begun. A slash at the end of a tag closes nothing in HTML.
     *
     * @throws Unreadable when it is nested too deep, or has more elements or attributes than are read
     */
    public static function checkShape(string $html, int $deepest): void
    {
        if (substr_count($html, '<') > self::MOST_TAGS) {
            throw Unreadable::tooLarge('it has more tags than are read', self::MOST_TAGS);
        }
        preg_match_all('~<(/?)([a-z][a-z0-9]*)\b([^>]*)>~i', $html, $tags, PREG_SET_ORDER);
        $depth = 0;
        foreach ($tags as [, $closes, $name, $attributes]) {
            if (strlen($attributes) > 2 * self::MOST_ATTRIBUTES && preg_match_all('~\s[^\s=>]~', $attributes) > self::MOST_ATTRIBUTES) {
                throw Unreadable::tooLarge('a tag has more attributes than are read', self::MOST_ATTRIBUTES);
            }
            if ($closes === '' && ! in_array(strtolower($name), self::UNNESTED, true)) {
                $depth++;
            } elseif ($closes !== '' && ! in_array(strtolower($name), self::UNNESTED, true)) {
                $depth = max(0, $depth - 1);
            }
            if ($depth > $deepest) {
                throw Unreadable::because("its elements are nested more than {$deepest} deep");
            }
        }
    }
}
