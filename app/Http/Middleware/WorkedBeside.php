<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Jobs\WorkTask;
use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Task;
use App\Models\User;
use App\Store\States;
use Closure;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Symfony\Component\HttpFoundation\Response;

/**
 * What takes more than about a second, such as taking in a large workbook, is queued: the same request is worked beside, by the same
 * rules and rights, and a page tells how it goes. What is small is answered at once.
 */
final readonly class WorkedBeside
{
    /** How many somebody may have under way. */
    public const AT_ONCE = 3;

    /** Bytes of a file that are read within a second or so, by its ending. */
    private const QUICK = [
        'xlsx' => 60_000,
        'ods' => 60_000,
        'docx' => 400_000,
        'odt' => 400_000,
        'html' => 1_000_000,
        'htm' => 1_000_000,
        'md' => 1_000_000,
        'markdown' => 1_000_000,
    ];

    private const QUICK_ELSE = 3_000_000;

    /** Parts that are written in so long, as a workbook or a text document, and as anything else; a sheet's rows count several times. */
    private const FEW_PARTS = ['xlsx' => 2_000, 'ods' => 2_000, 'docx' => 4_000, 'odt' => 4_000, 'html' => 8_000];

    private const FEW_PARTS_ELSE = 40_000;

    public function __construct(private States $states) {}

    /** @param string $when `always` for what is long whatever is sent */
    public function handle(Request $request, Closure $next, string $name, string $when = ''): Response
    {
        $user = $request->user();
        if (
            config('queue.default') === 'sync'
            || $request->attributes->get('beside') === true
            || ! ($user instanceof User)
            || ($when !== 'always' && ! $this->isLong($request))
        ) {
            return $next($request);
        }
        if (Task::query()->underWay()->where('user_id', $user->id)->count() >= self::AT_ONCE) {
            return redirect()->back()->withErrors(['file' => __('work.enough', ['count' => (string) self::AT_ONCE])]);
        }
        $key = MakeItem::key();
        $file = self::file($request);
        $sent = null;
        if ($file !== null) {
            is_dir($folder = storage_path('app/work')) || mkdir($folder, 0o770, true);
            $sent = [
                'field' => 'file',
                'name' => $file->getClientOriginalName(),
                'path' => $file->move($folder, "{$key}.in")->getPathname(),
            ];
        }
        $task = Task::query()->create([
            'key' => $key,
            'user_id' => $user->id,
            'name' => $name,
            'state' => 'waiting',
            'created_at' => now(),
            'request' => [
                'method' => $request->method(),
                'url' => $request->fullUrl(),
                'from' => url()->previous(),
                'input' => $request->except(['_token', '_method', 'file']),
                'file' => $sent,
            ],
        ]);
        WorkTask::dispatch($task->id);

        return redirect()->route('work', $task);
    }

    private static function file(Request $request): ?UploadedFile
    {
        $file = $request->file('file');

        return $file instanceof UploadedFile ? $file : null;
    }

    /** Whether it takes long to read a file, by its name and bytes. */
    public static function isLongFile(string $name, int $bytes): bool
    {
        return $bytes > (self::QUICK[strtolower(pathinfo($name, PATHINFO_EXTENSION))] ?? self::QUICK_ELSE);
    }

    private function isLong(Request $request): bool
    {
        $file = self::file($request);
        if ($file !== null) {
            return $file->isValid() && self::isLongFile($file->getClientOriginalName(), (int) $file->getSize());
        }
        $from = $request->input('from');
        if (is_string($from) && $request->isMethod('post')) {
            $item = Item::query()->where('key', explode('/', $from)[0])->first();

            return $item !== null && $this->parts($item) > self::FEW_PARTS_ELSE;
        }
        if (is_string($seal = $request->input('seal'))) {
            return self::isSealedLong($seal);
        }
        $item = $request->route('item');
        $format = $request->route('format');
        if (! $item instanceof Item || ! is_string($format) || ! $request->isMethod('get')) {
            return false;
        }

        return $this->parts($item) > (self::FEW_PARTS[$format] ?? self::FEW_PARTS_ELSE);
    }

    private function parts(Item $item): int
    {
        return $item->isAnswered() ? $item->entries()->count() : $this->states->count($item->root);
    }

    /** What was looked at and sealed says itself whether it is long. */
    private static function isSealedLong(string $seal): bool
    {
        try {
            return (bool) (decrypt($seal)['long'] ?? false);
        } catch (DecryptException) {
            return false;
        }
    }
}
