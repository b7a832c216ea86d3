<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Making\MakeItem;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use Illuminate\Database\Eloquent\Factories\Factory;

/**
 * What is on a shelf is made by {@see MakeItem}: an item without a state that went through its gate is none.
 *
 * @extends Factory<Shelf>
 */
final class ShelfFactory extends Factory
{
    protected $model = Shelf::class;

    /** @return array<string, mixed> */
    public function definition(): array
    {
        return ['key' => fn () => MakeItem::key(), 'name' => 'Bench'];
    }

    public function with(User $user, Role $role = Role::Owner): self
    {
        return $this->afterCreating(function (Shelf $shelf) use ($user, $role): void {
            $shelf->memberships()->create(['user_id' => $user->id, 'role' => $role]);
        });
    }
}
