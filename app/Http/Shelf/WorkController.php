<?php

declare(strict_types=1);

namespace App\Http\Shelf;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Task;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Route;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** How something goes that is worked beside, and what came of it. */
final class WorkController extends Controller
{
    public function show(Request $request, Task $task): Response|RedirectResponse
    {
        $this->own($request, $task);
        $answer = $task->response ?? [];
        if ($task->state === 'done' && isset($answer['to'])) {
            return redirect()
                ->to($answer['to'])
                ->with(array_filter(['said' => $answer['said'] ?? null]))
                ->withErrors($answer['errors'] ?? []);
        }
        if ($task->state === 'done' && isset($answer['page'])) {
            return is_file($answer['page'])
                ? response(str_replace($answer['token'] ?? '-', (string) csrf_token(), (string) file_get_contents($answer['page'])))
                : abort(410, (string) __('work.gone'));
        }
        $waits = in_array($task->state, ['waiting', 'working'], true);

        return response()->view(
            'work',
            ['task' => $task, 'before' => $task->state === 'waiting' ? Task::query()->underWay()->where('id', '<', $task->id)->count() : 0],
            200,
            $waits ? ['Refresh' => '2'] : [],
        );
    }

    public function file(Request $request, Task $task): BinaryFileResponse
    {
        $this->own($request, $task);
        $file = $task->response['file'] ?? abort(404);
        is_file($file['path']) || abort(410, (string) __('work.gone'));

        return response()->download($file['path'], $file['name'], [
            'Content-Type' => $file['type'],
            'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'; sandbox",
        ]);
    }

    private function own(Request $request, Task $task): void
    {
        abort_unless($task->user_id === $this->person($request)->id, 404);
        $way = Route::getRoutes()->match(Request::create($task->request['url'], $task->request['method']));
        $key = $way->parameter('item');
        if (is_string($key)) {
            // What came of it is for who may see it now, not for who might when it was asked for.
            $item = (new Item)->resolveRouteBinding($key) ?? abort(404);
            Gate::authorize($way->getName() === 'entries.download' ? 'entries' : 'view', $item);
            foreach (array_filter([$way->parameter('number'), $way->parameter('to')], is_numeric(...)) as $number) {
                $this->version($item, (int) $number);
            }
        }
    }
}
