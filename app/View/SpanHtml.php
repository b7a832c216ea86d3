<?php

declare(strict_types=1);

namespace App\View;

use App\Models\User;
use Illuminate\Contracts\Support\Htmlable;
use MistyAttic\Core\Compare\Texts\Span;
use MistyAttic\Core\Compare\Texts\SpanKind;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;

/** A compared text as HTML. All text is escaped here; no template adds white space, which would show. */
final readonly class SpanHtml implements Htmlable
{
    /**
     * @param  list<array{Span, User|null}>  $spans
     * @param  'old'|'new'|'both'  $side  which side of a comparison is shown
     * @param  \Closure(int|null): bool|null  $highlights  whether an editor's marks stand out
     * @param  bool|null  $signed  null unless it is shown who wrote what: whether that is said even where only one did, since no margin
     *     says it
     */
    public function __construct(
        private array $spans,
        private string $side = 'both',
        private ?\Closure $highlights = null,
        private ?bool $signed = null,
    ) {}

    public static function plain(RichText $text): self
    {
        return new self([[new Span(SpanKind::Same, $text), null]]);
    }

    public function toHtml(): string
    {
        return implode('', array_map(fn (array $span) => $this->span(...$span), $this->spans));
    }

    private function span(Span $span, ?User $user): string
    {
        return match ($span->kind) {
            SpanKind::Same => $user === null || $this->signed === null ? $this->runs($span->text) : $this->written($span->text, $user),
            SpanKind::Added => $this->side === 'old' ? '' : $this->marked('ins', '', 'added', $span->text, $user),
            SpanKind::Removed => $this->side === 'new' ? '' : $this->marked('del', '', 'removed', $span->text, $user),
            SpanKind::Came => $this->side === 'old' ? '' : $this->marked('span', 'came', 'brought here', $span->text, $user),
            SpanKind::Went => $this->side === 'new' ? '' : $this->marked('span', 'went', 'taken elsewhere', $span->text, $user),
            SpanKind::Formatted => $this->marked(
                'span',
                'formatted',
                'formatting changed',
                $this->side === 'old' ? $span->was ?? $span->text : $span->text,
                $user,
            ),
        };
    }

    /** Words by who wrote them; where several wrote in one text, each stretch begins with a monogram. */
    private function written(RichText $text, User $user): string
    {
        $quiet = $this->highlights !== null && ! ($this->highlights)($user->id) ? ' is-quiet' : '';
        $monogram = $this->signed === true || count($this->spans) > 1 ? ' data-monogram="'.e($user->monogram()).'"' : '';

        return "<span class=\"written by-{$user->colour}{$quiet}\"{$monogram} title=\""
            .e((string) __('history.written_by', ['who' => $user->name]))
            ."\">{$this->runs($text)}</span>";
    }

    private function marked(string $tag, string $class, string $what, RichText $text, ?User $user): string
    {
        $quiet = $this->highlights !== null && ! ($this->highlights)($user?->id);
        $classes = trim($class.($user === null ? '' : " by-{$user->colour}").($quiet ? ' is-quiet' : ''));
        $title = $user === null ? '' : ' title="'.e("{$what} by {$user->name}").'"';

        return "<{$tag} class=\"{$classes}\"{$title}>{$this->runs($text)}</{$tag}>";
    }

    private function runs(RichText $text): string
    {
        return implode('', array_map($this->run(...), $text->runs));
    }

    private function run(Run $run): string
    {
        $classes = implode(' ', array_diff(array_keys($run->marks), ['link']));
        $words = e($run->text);

        return match (true) {
            isset($run->marks['link']) => '<a class="'
                .$classes
                .'" rel="noopener nofollow" href="'
                .e((string) $run->marks['link'])
                ."\">{$words}</a>",
            $classes !== '' => "<span class=\"{$classes}\">{$words}</span>",
            default => $words,
        };
    }
}
