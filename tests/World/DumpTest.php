<?php
declare(strict_types=1);
namespace Tests\World;
use App\Models\Version; use Illuminate\Support\Facades\DB;
final class DumpTest extends \Tests\Feature\FeatureCase {
    public function test_dump(): void {
        $t = new WorldTest('x'); 
        $r = new \ReflectionClass(WorldTest::class);
        $m = $r->getMethod('world');
        $steps = array_map(Step::read(...), array_values(array_filter(file('/tmp/steps.txt', FILE_IGNORE_NEW_LINES))));
        // borrow
        $t->setUpForDump();
        $world = $m->invoke($t);
        $laws = new Laws($world);
        try { foreach ($steps as $s) { echo "--- $s\n"; $world->do($s); $this->dump($world, $s->item); } $world->comeHome(); $laws->holdAtTheEnd(); } catch (\Throwable $e) { echo get_class($e), ': ', $e->getMessage(), "\n"; $this->dump($world, end($steps)->item); print_r(array_map(fn($x)=>json_encode($x), DB::table('carried')->get()->all())); print_r(array_map(fn($x)=>$x->conflict, DB::table('held_edits')->get()->all())); }
        $this->addToAssertionCount(1);
    }
    private array $seen = [];
    private function dump(World $w, string $kind): void {
        if (!isset($w->items[$kind])) return;
        foreach (Version::query()->where('item_id', $w->items[$kind]->id)->orderBy('number')->get() as $v) {
            $key = $v->number.$v->root; if (isset($this->seen[$key])) continue; $this->seen[$key]=1;
            echo "  v{$v->number} u{$v->user_id} {$v->cause->value}\n";
            foreach ($w->states->tree($v->root)->parts as $p) echo '     ', str_repeat(' ', $p->depth*2), json_encode($p->toJson(), JSON_UNESCAPED_UNICODE), "\n";
        }
    }
}
