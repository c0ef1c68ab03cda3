<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use Doctrine\DBAL\Connection;
use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\PersonProvider;
use NimbleKnuckle\App\Demo\DemoLoader;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitRecord;
use PHPUnit\Framework\ExpectationFailedException;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Bundle\FrameworkBundle\KernelBrowser;
use Symfony\Bundle\FrameworkBundle\Test\WebTestCase;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\Uid\Ulid;

/** A client on a database with the demo workshop; the database is made once a run and copied for each test. */
abstract class AppTestCase extends WebTestCase
{
    private static string $template = '';
    /** The demo counts from the day it is loaded: past midnight it is loaded anew. */
    private static string $day = '';

    protected KernelBrowser $client;

    protected function setUp(): void
    {
        $data = dirname(__DIR__, 2).'/var/test-data';
        if (date('Y-m-d') !== self::$day) {
            [self::$template, self::$day] = ['', date('Y-m-d')];
        }
        foreach (glob($data.'/test.db*') ?: [] as $old) {
            unlink($old);
        }
        if ('' !== self::$template) {
            copy(self::$template, $data.'/test.db');
        }
        $this->client = self::createClient();
        $this->client->disableReboot();
        if ('' === self::$template) {
            $this->command('doctrine:migrations:migrate', ['--no-interaction' => true]);
            $this->service(DemoLoader::class)->load(false);
            self::$template = $data.'/template.db';
            is_file(self::$template) && unlink(self::$template);
            $this->db()->executeStatement('VACUUM INTO ?', [self::$template]);
        }
    }

    /** What counts days is loaded and read on one day: where midnight falls into it, it is done again. */
    protected function onOneDay(callable $test): void
    {
        $day = date('Y-m-d');
        if ($day !== self::$day) {
            self::ensureKernelShutdown();
            $this->setUp();
        }
        try {
            $test();
        } catch (ExpectationFailedException $e) {
            date('Y-m-d') === $day ? throw $e : $this->onOneDay($test);
        }
    }

    protected function db(): Connection
    {
        return $this->service(Connection::class);
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return T
     */
    protected function service(string $class): object
    {
        $service = self::getContainer()->get($class);
        self::assertInstanceOf($class, $service);

        return $service;
    }

    /** @param array<string, mixed> $input */
    protected function command(string $name, array $input = []): CommandTester
    {
        $tester = new CommandTester((new Application($this->client->getKernel()))->find($name));
        $tester->execute($input, ['interactive' => false]);

        return $tester;
    }

    protected function signIn(string $login): AccountRecord
    {
        $person = $this->service(PersonProvider::class)->loadUserByIdentifier($login);
        $this->client->loginUser($person);

        return $person;
    }

    protected function token(): string
    {
        $crawler = $this->client->request('GET', '/');

        return $crawler->filter('meta[name=csrf]')->attr('content') ?? '';
    }

    protected function tarnFit(): FitRecord
    {
        $id = $this->db()->fetchOne("SELECT id FROM fit WHERE status = 'in-hand'");

        return $this->service(FitBook::class)->get(is_string($id) ? $id : '');
    }

    /**
     * @param array<string, mixed> ...$events type and payload fields
     *
     * @return array<array-key, mixed>
     */
    protected function send(string $fit, array ...$events): array
    {
        $made = array_map(static function (array $event): array {
            $made = [
                'id' => $event['id'] ?? (string) new Ulid(), 'type' => $event['type'],
                'at' => $event['at'] ?? gmdate('Y-m-d\TH:i:s\Z'),
            ];
            unset($event['id'], $event['type'], $event['at']);

            return $made + ['payload' => $event];
        }, $events);
        $this->client->request(
            'POST', '/fits/'.$fit.'/events',
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', 'HTTP_X_CSRF_TOKEN' => $this->token()],
            content: json_encode(['events' => $made, 'sent' => gmdate('Y-m-d\TH:i:s\Z')], \JSON_THROW_ON_ERROR),
        );
        $answer = json_decode((string) $this->client->getResponse()->getContent(), true);

        return is_array($answer) ? $answer : [];
    }
}
