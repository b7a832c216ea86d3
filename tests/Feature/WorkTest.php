<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Middleware\WorkedBeside;
use App\Jobs\Progress;
use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\Task;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** What takes long is worked beside, as who asked for it, by the same rules. */
final class WorkTest extends FeatureCase
{
    private User $ines;

    private User $jun;

    private Shelf $shelf;

    protected function setUp(): void
    {
        parent::setUp();
        config(['queue.default' => 'database']);
        [$this->ines, $this->jun] = [$this->person('Ines Oduya'), $this->person('Jun Castell')];
        $this->shelf = $this->shelf('Open days', [[$this->ines, Role::Owner], [$this->jun, Role::Viewer]]);
        $this->actingAs($this->ines);
    }

    /** @return TestResponse<Response> */
    private function bring(string $name, string $bytes): TestResponse
    {
        return $this->post(route('shelf.make', $this->shelf), ['file' => UploadedFile::fake()->createWithContent($name, $bytes)]);
    }

    private function work(): void
    {
        Artisan::call('queue:work', ['--once' => true, '--quiet' => true]);
        // As the next request of somebody's browser.
        $this->actingAs($this->ines);
    }

    public function test_a_large_file_is_taken_in_beside_and_a_small_one_at_once(): void
    {
        $this->bring('small.csv', "a,b\n1,2\n")->assertRedirect(route('item', Item::query()->latest('id')->firstOrFail()));
        $this->bring('Large.csv', "what,how many\n".str_repeat(str_repeat('long ', 200).",12345\n", 3_100))->assertRedirect();
        $task = Task::query()->firstOrFail();
        $this->get(route('work', $task))->assertOk()->assertHeader('Refresh', '2')->assertSee('Your file is next in line');
        $this->actingAs($this->jun)->get(route('work', $task))->assertNotFound();
        $this->work();
        $item = Item::query()->where('title', 'Large')->firstOrFail();
        $this->get(route('work', $task))->assertRedirect(route('item', $item));
        self::assertSame($this->ines->id, $item->versions()->firstOrFail()->user_id);
        self::assertFileDoesNotExist($task->request['file']['path'] ?? '');
        $this->assertVerified();
        // Written out again it takes as long, and is kept for who asked.
        $this->get(route('download', [$item, 1, 'xlsx']))->assertRedirect();
        $this->work();
        $task = Task::query()->latest('id')->firstOrFail();
        $this->get(route('work', $task))->assertOk()->assertSee('Take large-1.xlsx along');
        $this->get(route('work.file', $task))->assertOk()->assertDownload('large-1.xlsx');
        $this->actingAs($this->jun)->get(route('work.file', $task))->assertNotFound();
        // Who was removed meanwhile takes nothing along any more.
        $role = $this->shelf->memberships()->where('user_id', $this->ines->id)->first() ?? self::fail();
        $role->delete();
        $this->actingAs($this->ines)->get(route('work.file', $task))->assertNotFound();
        $this->travel(2)->days();
        Artisan::call('attic:tidy');
        self::assertSame(0, Task::query()->count());
        self::assertFileDoesNotExist($task->response['file']['path'] ?? '');
    }

    public function test_the_page_tells_how_far_it_has_come_where_that_is_known(): void
    {
        $this->bring('Large.csv', str_repeat(str_repeat('long ', 200).",12345\n", 3_100));
        $task = Task::query()->firstOrFail();
        $task->update(['state' => 'working', 'started_at' => now()]);
        $this->get(route('work', $task))->assertSee('For 0 seconds now');
        $progress = app(Progress::class);
        $progress->between(0, 0.6)(0.5);
        $progress->of($task);
        $progress->between(0, 0.6)(0.5);
        self::assertNull($task->refresh()->share);
        $this->travel(2)->seconds();
        $progress->between(0, 0.6)(0.5);
        $this->get(route('work', $task))->assertSee('30 % is done, after 2 seconds')->assertSee('value="30"', false);
    }

    public function test_what_can_not_be_read_is_said_where_one_came_from_and_rights_are_asked_when_it_is_worked(): void
    {
        $this->from(route('shelf', $this->shelf))->bring('Broken.xlsx', str_repeat('no workbook ', 9_000))->assertRedirect();
        $this->work();
        $this->get(route('work', Task::query()->firstOrFail()))
            ->assertRedirect(route('shelf', $this->shelf))
            ->assertSessionHasErrors('file');
        $this->bring('Large.csv', str_repeat(str_repeat('long ', 200).",12345\n", 3_100));
        $this->shelf->memberships()->where('user_id', $this->ines->id)->update(['role' => 'viewer']);
        $this->work();
        $task = Task::query()->latest('id')->firstOrFail();
        self::assertSame('failed', $task->state);
        $this->get(route('work', $task))->assertOk()->assertSee('could not be read');
        self::assertSame(0, Item::query()->count());
    }

    public function test_one_person_has_so_much_under_way_and_no_more(): void
    {
        for ($i = 0; $i < WorkedBeside::AT_ONCE; $i++) {
            $this->bring("Large {$i}.csv", str_repeat(str_repeat('long ', 200).",12345\n", 3_100))->assertRedirect(
                route('work', Task::query()->latest('id')->firstOrFail()),
            );
        }
        $this->from(route('shelf', $this->shelf))
            ->bring('One more.csv', str_repeat(str_repeat('long ', 200).",12345\n", 3_100))
            ->assertRedirect(route('shelf', $this->shelf))
            ->assertSessionHasErrors('file');
        self::assertSame(WorkedBeside::AT_ONCE, Task::query()->count());
    }

    public function test_a_look_at_a_large_file_can_be_gone_on_with(): void
    {
        $this->post(route('dataset.look', $this->shelf), [
            'file' => UploadedFile::fake()->createWithContent(
                'log.csv',
                "Day,Minutes,What\n".str_repeat('2026-03-01,35,'.str_repeat('long ', 200)."\n", 3_100),
            ),
        ])->assertRedirect();
        $this->work();
        $page = $this->get(route('work', Task::query()->firstOrFail()))->assertOk()->assertSee('Minutes')->assertSee((string) csrf_token());
        preg_match('/name="seal" value="([^"]+)"/', (string) $page->getContent(), $seal);
        $sealed = ['seal' => $seal[1] ?? '', 'title' => 'Log'];
        $this->post(route('dataset.store', $this->shelf), $sealed)->assertRedirect(
            route('work', Task::query()->latest('id')->firstOrFail()),
        );
        self::assertSame(0, Item::query()->count());
        $this->work();
        $this->get(route('work', Task::query()->latest('id')->firstOrFail()))
            ->assertRedirect(route('item', Item::query()->firstOrFail()))
            ->assertSessionHas('said', 'Made, with 3,100 records.');
        self::assertSame('Log', Item::query()->where('kind', 'dataset')->firstOrFail()->title);
    }
}
