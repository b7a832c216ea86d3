<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\User;
use Illuminate\Database\Eloquent\Factories\Factory;
use Illuminate\Support\Str;

/** @extends Factory<User> */
final class UserFactory extends Factory
{
    protected $model = User::class;

    public const PASSWORD = 'a long password';

    /** @return array<string, mixed> */
    public function definition(): array
    {
        $name = Str::lower(Str::random(8));

        return ['name' => Str::ucfirst($name), 'email' => "{$name}@example.org", 'password' => self::PASSWORD, 'colour' => fn () => User::nextColour()];
    }

    /** Under a name, with an address made of its first word. */
    public function called(string $name): self
    {
        return $this->state(['name' => $name, 'email' => strtolower(explode(' ', $name)[0]).'@example.org']);
    }
}
