<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use League\CommonMark\Environment\Environment;
use League\CommonMark\Exception\CommonMarkException;
use League\CommonMark\Extension\CommonMark\CommonMarkCoreExtension;
use League\CommonMark\Extension\CommonMark\Node\Block\BlockQuote;
use League\CommonMark\Extension\CommonMark\Node\Block\FencedCode;
use League\CommonMark\Extension\CommonMark\Node\Block\Heading;
use League\CommonMark\Extension\CommonMark\Node\Block\HtmlBlock;
use League\CommonMark\Extension\CommonMark\Node\Block\IndentedCode;
use League\CommonMark\Extension\CommonMark\Node\Block\ListBlock;
use League\CommonMark\Extension\CommonMark\Node\Block\ThematicBreak;
use League\CommonMark\Extension\CommonMark\Node\Inline\Code;
use League\CommonMark\Extension\CommonMark\Node\Inline\Emphasis;
use League\CommonMark\Extension\CommonMark\Node\Inline\HtmlInline;
use League\CommonMark\Extension\CommonMark\Node\Inline\Image;
use League\CommonMark\Extension\CommonMark\Node\Inline\Link;
use League\CommonMark\Extension\CommonMark\Node\Inline\Strong;
use League\CommonMark\Extension\Strikethrough\Strikethrough;
use League\CommonMark\Extension\Strikethrough\StrikethroughExtension;
use League\CommonMark\Extension\Table\Table;
use League\CommonMark\Extension\Table\TableCell;
use League\CommonMark\Extension\Table\TableExtension;
use League\CommonMark\Extension\TaskList\TaskListExtension;
use League\CommonMark\Extension\TaskList\TaskListItemMarker;
use League\CommonMark\Node\Block\AbstractBlock;
use League\CommonMark\Node\Inline\Newline;
use League\CommonMark\Node\Inline\Text;
use League\CommonMark\Node\Node;
use League\CommonMark\Parser\MarkdownParser;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Reader;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Document\DocumentRole;

/** CommonMark 0.31 with the tables, task lists and strikethrough of its usual extensions. Blocks of HTML are code. */
final class MarkdownReader implements Reader
{
    /** What Markdown has no sign for. */
    private const TAGS = ['u' => 'underline', 'sup' => 'raised', 'sub' => 'lowered'];

    private DocumentBuilder $builder;

    public function read(string $bytes, FormatLimits $limits): Content
    {
        $this->builder = new DocumentBuilder($limits);
        $environment = new Environment(['max_nesting_level' => 60, 'max_delimiters_per_line' => 500]);
        $environment
            ->addExtension(new CommonMarkCoreExtension)
            ->addExtension(new TableExtension)
            ->addExtension(new StrikethroughExtension)
            ->addExtension(new TaskListExtension);
        try {
            $this->blocks((new MarkdownParser($environment))->parse(mb_scrub(str_replace("\0", '', $bytes))));
        } catch (CommonMarkException $e) {
            throw Unreadable::because('it is no Markdown that can be read: '.Unreadable::quote($e->getMessage()));
        }

        return $this->builder->content();
    }

    private function blocks(Node $parent, DocumentRole $role = DocumentRole::Paragraph): void
    {
        foreach ($parent->children() as $block) {
            match (true) {
                $block instanceof Heading => $this->builder->heading($block->getLevel(), $this->runs($block)),
                $block instanceof BlockQuote => $this->blocks($block, DocumentRole::Quote),
                $block instanceof ListBlock => $this->list($block, 0),
                $block instanceof FencedCode, $block instanceof IndentedCode => $this->builder->paragraph(
                    [new Run(rtrim($block->getLiteral(), "\n"))],
                    DocumentRole::Code,
                ),
                $block instanceof HtmlBlock => $this->builder->paragraph([new Run($block->getLiteral())], DocumentRole::Code),
                $block instanceof ThematicBreak => $this->builder->rule(),
                $block instanceof Table => $this->table($block),
                default => $this->paragraph($block, $role),
            };
        }
    }

    private function paragraph(Node $block, DocumentRole $role): void
    {
        $only = $block->firstChild();
        if ($only instanceof Image && $only->next() === null) {
            $bytes
                = preg_match('~^data:image/[a-z.+-]+;base64,(.+)$~s', $only->getUrl(), $found) === 1 ? base64_decode($found[1], true) : false;
            $this->builder->picture($bytes === false ? $only->getUrl() : $bytes, self::plain($only), $bytes !== false);
        } else {
            $this->builder->paragraph($this->runs($block), $role);
        }
    }

    private function list(ListBlock $list, int $depth): void
    {
        $ordered = $list->getListData()->type === ListBlock::TYPE_ORDERED;
        $number = $list->getListData()->start ?? 1;
        foreach ($list->children() as $item) {
            $runs = $below = [];
            $task = null;
            foreach ($item->children() as $block) {
                if ($block instanceof ListBlock) {
                    $below[] = $block;

                    continue;
                }
                $marker = $block->firstChild();
                if ($runs === [] && $marker instanceof TaskListItemMarker) {
                    $task = $marker->isChecked();
                }
                $own = $block instanceof FencedCode || $block instanceof IndentedCode
                    ? [new Run(rtrim($block->getLiteral(), "\n"), ['code' => true])]
                    : $this->runs($block);
                $runs = $runs === [] ? $own : [...$runs, new Run("\n"), ...$own];
            }
            $this->builder->item(
                $depth,
                $runs,
                $task !== null ? 'task' : ($ordered ? 'number' : 'bullet'),
                $task ?? false,
                $ordered ? $number++ : null,
            );
            foreach ($below as $inner) {
                $this->list($inner, $depth + 1);
            }
        }
    }

    private function table(Table $table): void
    {
        $rows = [];
        foreach ($table->children() as $section) {
            foreach ($section->children() as $row) {
                $cells = [];
                foreach ($row->children() as $cell) {
                    $cells[] = [$cell instanceof TableCell && $cell->getType() === TableCell::TYPE_HEADER, $this->runs($cell)];
                }
                $rows[] = $cells;
            }
        }
        $this->builder->table($rows);
    }

    /**
     * @param  array<string, true|string>  $marks
     * @return list<Run>
     */
    private function runs(Node $node, array $marks = []): array
    {
        $runs = [];
        foreach ($node->children() as $inline) {
            if ($inline instanceof HtmlInline) {
                $tag = strtolower($inline->getLiteral());
                $mark = self::TAGS[trim($tag, '</>')] ?? null;
                if ($mark !== null) {
                    $marks = str_starts_with($tag, '</') ? array_diff_key($marks, [$mark => true]) : [...$marks, $mark => true];
                }
                if (str_starts_with($tag, '<br')) {
                    $runs[] = new Run("\n");
                }

                continue;
            }
            array_push($runs, ...match (true) {
                $inline instanceof Text => [new Run($inline->getLiteral(), $marks)],
                $inline instanceof Code => [new Run($inline->getLiteral(), [...$marks, 'code' => true])],
                $inline instanceof Newline => [new Run($inline->getType() === Newline::HARDBREAK ? "\n" : ' ', $marks)],
                $inline instanceof Strong => $this->runs($inline, [...$marks, 'bold' => true]),
                $inline instanceof Emphasis => $this->runs($inline, [...$marks, 'italic' => true]),
                $inline instanceof Strikethrough => $this->runs($inline, [...$marks, 'strike' => true]),
                $inline instanceof Link => $this->runs($inline, [...$marks, 'link' => $inline->getUrl()]),
                $inline instanceof TaskListItemMarker => [],
                $inline instanceof AbstractBlock => [...$this->runs($inline, $marks), new Run("\n")],
                default => $this->runs($inline, $marks),
            });
        }

        return $runs;
    }

    private static function plain(Node $node): string
    {
        $text = '';
        foreach ($node->iterator() as $inner) {
            $text .= $inner instanceof Text || $inner instanceof Code ? $inner->getLiteral() : '';
        }

        return $text;
    }
}
