<?php

declare(strict_types=1);

namespace Tests;

use Database\Seeders\MaterialsSeeder;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;
use Illuminate\Foundation\Testing\WithCachedConfig;
use Illuminate\Foundation\Testing\WithCachedRoutes;

abstract class TestCase extends BaseTestCase
{
    use RefreshDatabase;
    use WithCachedConfig;
    use WithCachedRoutes;

    /** The ranges and papers that ship are there once for all tests. */
    protected bool $seed = true;

    /** @var class-string<\Illuminate\Database\Seeder> */
    protected string $seeder = MaterialsSeeder::class;

    /** Who signs in with a wrong password waits as long as with a right one; no test does. */
    protected function setUp(): void
    {
        parent::setUp();
        config(['auth.timebox_duration' => 0]);
    }

    public function createApplication()
    {
        $app = parent::createApplication();
        $database = $app->make('config')->get('database.connections.mariadb.database');
        if (! is_string($database) || ! str_contains($database, 'test')) {
            throw new \RuntimeException('Tests run on a database with "test" in its name only, not on "'.$database.'".');
        }
        $storage = $app->make('config')->get('prism.storage');
        if (! is_string($storage) || ! str_contains($storage, 'testing')) {
            throw new \RuntimeException('Tests keep pictures in a folder with "testing" in its path only, not in "'.$storage.'".');
        }

        return $app;
    }
}
