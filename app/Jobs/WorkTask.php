<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Task;
use Illuminate\Contracts\Debug\ExceptionHandler;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Contracts\Session\Session;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Pipeline\Pipeline;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Session\ArraySessionHandler;
use Illuminate\Session\Store;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Facade;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\ViewErrorBag;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Formats\UnknownEncoding;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Throwable;

/** Works a request that was queued, as who sent it, and keeps what would have been answered. */
final class WorkTask implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public int $timeout = 600;

    public function __construct(private readonly int $task) {}

    public function handle(ExceptionHandler $handler, Progress $progress): void
    {
        $task = Task::query()->with('user')->find($this->task);
        if ($task === null || $task->state !== 'waiting') {
            return;
        }
        $task->update(['state' => 'working', 'started_at' => now()]);
        $progress->of($task);
        $session = new Store('beside', new ArraySessionHandler(10));
        $session->start();
        try {
            $response = $this->answer($task, $this->request($task, $session), $session);
            $task->update(['state' => 'done', 'response' => $this->kept($task, $response, $session), 'done_at' => now()]);
        } catch (UnknownEncoding $question) {
            $task->update([
                'state' => 'done',
                'response' => $this->kept($task, $handler->render(app('request'), $question), $session),
                'done_at' => now(),
            ]);
        } catch (ValidationException $refused) {
            $task->update([
                'state' => 'done',
                'response' => ['to' => $task->request['from'], 'errors' => array_map(array_values(...), $refused->errors())],
                'done_at' => now(),
            ]);
        } catch (Throwable $error) {
            $status = $error instanceof HttpExceptionInterface ? $error->getStatusCode() : 500;
            $status < 500 || $handler->report($error);
            $task->update([
                'state' => 'failed',
                'response' => ['said' => $status < 500 && $error->getMessage() !== '' ? $error->getMessage() : null],
                'done_at' => now(),
            ]);
        } finally {
            $progress->of(null);
            Auth::forgetGuards();
            app('redirect')->setSession(app('session.store'));
            $file = $task->request['file'];
            $file === null || ! is_file($file['path']) || unlink($file['path']);
        }
    }

    /** Whoever waits for it is told, should the worker end in between. */
    public function failed(?Throwable $error): void
    {
        Task::query()->whereKey($this->task)->underWay()->update(['state' => 'failed', 'done_at' => now()]);
    }

    private function request(Task $task, Session $session): Request
    {
        $sent = $task->request;
        $files = $sent['file'] === null
            ? []
            : [$sent['file']['field'] => new UploadedFile($sent['file']['path'], $sent['file']['name'], test: true)];
        $request = Request::create($sent['url'], $sent['method'], $sent['input'], [], $files, ['HTTP_REFERER' => $sent['from']]);
        $request->setLaravelSession($session);
        $request->setUserResolver(fn () => $task->user);
        $request->attributes->set('beside', true);

        return $request;
    }

    private function answer(Task $task, Request $request, Store $session): Response
    {
        Auth::setUser($task->user);
        app()->instance('request', $request);
        Facade::clearResolvedInstance('request');
        app('redirect')->setSession($session);
        $route = Route::getRoutes()->match($request);
        $request->setRouteResolver(fn () => $route);
        $result = (new Pipeline(app()))->send($request)->through([SubstituteBindings::class])->then(fn (Request $request) => $route->run());

        return $result instanceof Response ? $result : Route::toResponse($request, $result);
    }

    /** @return array{to?: string, said?: string|null, errors?: array<string, list<string>>, file?: array{path: string, name: string, type: string}, page?: string, token?: string} */
    private function kept(Task $task, Response $response, Store $session): array
    {
        if ($response instanceof RedirectResponse) {
            $errors = $session->get('errors');
            $said = $session->get('said');

            return [
                'to' => $response->getTargetUrl(),
                'said' => is_string($said) ? $said : null,
                'errors' => $errors instanceof ViewErrorBag ? array_map(array_values(...), $errors->getBag('default')->getMessages()) : [],
            ];
        }
        is_dir($folder = storage_path('app/work')) || mkdir($folder, 0o770, true);
        $path = "{$folder}/{$task->key}.out";
        file_put_contents($path, (string) $response->getContent());
        $disposition = (string) $response->headers->get('Content-Disposition');
        if (preg_match('/filename="([^"]+)"/', $disposition, $found) === 1) {
            return ['file' => ['path' => $path, 'name' => $found[1], 'type' => (string) $response->headers->get('Content-Type')]];
        }

        return ['page' => $path, 'token' => (string) $session->token()];
    }
}
