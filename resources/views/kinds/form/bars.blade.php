<table class="bars"><caption class="is-sr-only">{{ $label }}</caption><tbody>
    @foreach ($bars as [$name, $count])<tr><th scope="row">{{ Str::limit($name, 44) }}</th><td class="bars-bar"><svg viewBox="0 0 200 12" width="200" height="12" preserveAspectRatio="none" aria-hidden="true"><rect x="0" y="1" width="{{ round(200 * $count / max(1, ...array_column($bars, 1)), 1) }}" height="10"/></svg></td><td>{{ $count }}</td><td>{{ $of > 0 ? round(100 * $count / $of) : 0 }} %</td></tr>@endforeach
</tbody></table>
