<?php

declare(strict_types=1);

namespace App\Console;

use App\Keeping\MakeShelf;
use App\Models\User;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Validator;

final class AddPerson extends Command
{
    protected $signature = 'attic:person {name} {email} {--shelf= : Also make a shelf of this name, owned by this person} {--password-stdin : Read the password from standard input, where there is no terminal}';

    protected $description = 'Makes an account; the password is asked for and kept hashed';

    public function handle(MakeShelf $make): int
    {
        $password = $this->option('password-stdin')
            ? rtrim((string) fgets(STDIN), "\r\n")
            : (string) $this->secret('A password, 10 characters or more');
        $check = Validator::make(
            [...$this->arguments(), 'password' => $password],
            [
                'name' => ['required', 'max:80'],
                'email' => ['required', 'email', 'unique:users,email'],
                'password' => ['required', 'min:10'],
            ],
        );
        if ($check->fails()) {
            $this->error(implode(' ', $check->errors()->all()));

            return self::FAILURE;
        }
        $person = User::query()->create([
            'name' => $this->argument('name'),
            'email' => $this->argument('email'),
            'password' => $password,
            'colour' => User::nextColour(),
            'keeps_place' => User::query()->doesntExist(),
        ]);
        if (is_string($this->option('shelf'))) {
            $make->handle($person, $this->option('shelf'));
        }
        $this->info("{$person->name} can sign in as {$person->email}.");

        return self::SUCCESS;
    }
}
