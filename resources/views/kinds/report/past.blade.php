<div class="state is-report-past @if ($address->view === 'was') is-was @endif" tabindex="0" role="region" aria-label="{{ $address->view === 'was' ? __('views/kinds/report.past.version_read_only', ['number' => $from->number]) : __('views/kinds/report.past.what_changed_between', ['number' => $from->number, 'later' => $to->number]) }}" data-state>
    @if ($address->view === 'was')
        @include('history.banner')
        <p class="report-period">{{ $address->show === 'today' ? __('views/kinds/report.past.its_pages_as_they_were_with') : __('views/kinds/report.past.its_pages_with_data_of_then') }}</p>
        <div class="report-sheet">@include('kinds.report.sheet', ['shown' => '', 'mayWrite' => false, 'data' => 'past'])</div>
    @else
        <div class="report-past">
            @foreach ($compared->pages as $page)
                <section class="report-past-page @if ($page->editor !== null) by-{{ $page->editor->colour }} @endif" id="part-{{ $page->page->part->id }}" data-part="{{ $page->page->part->id }}" aria-label="{{ $page->page->part->string('title') }}">
                    <h2>@if ($page->page->before !== null && $page->page->before->string('title') !== $page->page->part->string('title') && $page->state !== 'removed')<del>{{ $page->page->before->string('title') }}</del> @endif{{ $page->page->part->string('title') }} @if (! in_array($page->state, ['same', 'edited'], true))<small>{{ ['added' => __('views/kinds/report.past.new_page'), 'removed' => __('views/kinds/report.past.page_removed'), 'moved' => __('views/kinds/report.past.page_moved')][$page->state] }}@if ($page->editor !== null), {{ $page->editor->firstName() }}@endif</small>@endif</h2>
                    @if ($page->hasMap())@include('kinds.report.map')@endif
                    @foreach ($page->widgets as $one)
                        @continue($one->state === 'same' && $one->differences === [] && $page->state === 'same')
                        <article class="widget-step is-{{ $one->state }} @if ($one->editor !== null) by-{{ $one->editor->colour }} @endif" id="part-{{ $one->marked->part->id }}" data-part="{{ $one->marked->part->id }}">
                            <h3>{{ $one->shown->title() }} @if ($one->state !== 'same')<small>{{ ['added' => 'new', 'removed' => 'removed', 'edited' => 'changed', 'moved' => __('views/kinds/report.past.is_elsewhere')][$one->state] }}@if ($one->editor !== null), {{ $one->editor->firstName() }}@endif</small>@endif</h3>
                            @if ($one->edits !== [])<ul class="widget-settings">@foreach ($one->edits as $field => [$was, $is])<li>{{ __("data.settings.{$field}") }}: @if ($was !== '')<del>{{ Str::limit($was, 200) }}</del>@endif @if ($is !== '')<ins>{{ Str::limit($is, 200) }}</ins>@else<span>{{ __('views/kinds/report.past.none') }}</span>@endif</li>@endforeach</ul>
                            @elseif ($one->shown->words() !== '')<p class="widget-settings">{{ $one->shown->words() }}</p>@endif
                            @if ($one->state === 'same' && $one->differences !== [])<p class="is-because">{{ __('views/kinds/report.past.nobody_changed_it_it_looks_otherwise') }}</p>@endif
                            @if ($one->new !== null && $one->old !== null && ($parted = $compared->parted($one->old, $one->new)) !== null)<p class="is-because">{{ __('views/kinds/report.past.comes_from', ['difference' => $parted[1], 'where' => $parted[0] === '' ? '' : " in {$parted[0]}", 'settings' => $parted[2], 'data' => $parted[3]]) }}</p>@endif
                            @if ($one->shown->widget->isChart())
                                @if ($one->mending !== null)
                                    @include('kinds.report.broken', ['widget' => $one->shown, 'mending' => $one->mending, 'mayWrite' => false])
                                @elseif (! in_array($one->shown->widget->type, ['figure', 'table'], true))
                                    <div class="chart" role="img" aria-label="{{ __('views/kinds/report.past.drawn_the_figures_that_differ_are', ['title' => $one->shown->title()]) }}" data-chart="{{ json_encode(App\Kinds\Report\ReportCompared::chart($one->new === null ? null : $one->old, $one->shown)) }}"></div>
                                @elseif ($one->differences === [])
                                    @include('kinds.report.figures', ['widget' => $one->shown])
                                @endif
                                @if ($one->differences !== [])
                                    <div class="widget-scroll" tabindex="0" role="region" aria-label="{{ __('views/kinds/report.past.figures_of_that_differ', ['title' => $one->shown->title()]) }}"><table><thead><tr>@if ($one->shown->widget->by === '')<td></td>@else<th scope="col">{{ $one->shown->name($one->shown->widget->by) }}</th>@endif<th scope="col" class="is-number">{{ $from->number }}</th><th scope="col" class="is-number">{{ $to->number }}</th><th scope="col" class="is-number">{{ __('views/kinds/report.past.more') }}</th></tr></thead><tbody>
                                        @foreach (array_slice($one->differences, 0, 12) as [$key, $was, $is, $more])<tr><th scope="row">{{ $key === '' ? __('views/kinds/report.past.the_figure') : $key }}</th><td class="is-number">{{ $was }}</td><td class="is-number">{{ $is }}</td><td class="is-number">{{ $more }}</td></tr>@endforeach
                                    </tbody></table></div>
                                    @if (count($one->differences) > 12)<p class="form-same">{{ __('views/kinds/report.past.and_more_figures_differ', ['differences' => count($one->differences) - 12]) }}</p>@endif
                                @endif
                                @if ($one->old?->version !== null && $one->new?->version !== null)<p class="widget-foot">{{ __('views/kinds/report.past.drawn_from', ['number' => $from->number, 'title' => $one->old->dataset->title, 'version' => $one->old->version->number, 'later' => $to->number, 'later_title' => $one->new->dataset->title, 'later_version' => $one->new->version->number]) }}</p>@endif
                            @elseif ($one->edits === [])
                                <div class="widget-text" data-part-text>{{ $one->shown->part->richText()->text() }}</div>
                            @endif
                        </article>
                    @endforeach
                </section>
            @endforeach
        </div>
    @endif
</div>
