<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Accounts\AccountCreateCommand;
use NimbleKnuckle\App\Accounts\SignInThrottle;
use NimbleKnuckle\App\Web\SecurityHeaders;
use NimbleKnuckle\App\Web\WriteGuard;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;

#[CoversClass(SecurityHeaders::class)]
#[CoversClass(WriteGuard::class)]
#[CoversClass(SignInThrottle::class)]
#[CoversClass(AccountCreateCommand::class)]
final class DoorsTest extends AppTestCase
{
    public function testNothingIsReachableWithoutSigningIn(): void
    {
        $router = self::getContainer()->get('router');
        self::assertInstanceOf(\Symfony\Component\Routing\RouterInterface::class, $router);
        $open = [];
        foreach ($router->getRouteCollection() as $name => $route) {
            $path = strtr($route->getPath(), [
                '{id}' => [
                    'vehicles' => 'veldra-tarn-20t', 'procedures' => 'starter', 'causes' => 'slow-start',
                ][explode('/', $route->getPath())[1]] ?? '01ARZ3NDEKTSV4RRFFQ69G5FAV',
                '{step}' => 'x', '{photo}' => '01ARZ3NDEKTSV4RRFFQ69G5FAV', '{interval}' => '01K00000000000000000000001',
                '{kind}' => [
                    'print' => 'sheet', 'drive_file' => 'svg', 'judge' => 'leak', 'judged' => 'leak', 'judge_call' => 'leak',
                ][$name] ?? 'csv', '{mishap}' => 'snapped-bolt',
                '{login}' => 'joss', '{name}' => 'torque-check', '{joint}' => 'cover-bolts', '{circuit}' => 'coolant',
                '{what}' => [
                    'person_act' => 'off', 'put_away_vehicle' => 'away', 'put_away_fit' => 'away', 'count_complaint' => 'out',
                ][$name] ?? 'remove',
            ]);
            $this->client->request($route->getMethods()[0] ?? 'GET', $path);
            $status = $this->client->getResponse()->getStatusCode();
            if ('first_lead' === $name) {
                self::assertResponseRedirects('/sign-in', 303, 'open only where nobody is');
            } elseif (!in_array($status, [302, 401, 403], true)) {
                $open[] = $name;
            } elseif (302 === $status) {
                self::assertMatchesRegularExpression(
                    '~/sign-in(?:\?to=/[^/].*)?$~', (string) $this->client->getResponse()->headers->get('Location'), $name,
                );
            }
        }
        self::assertEqualsCanonicalizing(['sign_in', 'bare', 'leave_demo'], $open, 'the last only takes a cookie away');
    }

    public function testEveryAnswerCarriesTheStrictPolicy(): void
    {
        $this->client->request('GET', '/bare');
        self::assertResponseStatusCodeSame(404, 'only where it is measured');
        $_SERVER['APP_BENCH'] = '1';
        foreach (['/sign-in', '/bare', '/api/sums'] as $path) {
            $this->client->request('GET', $path);
            $policy = (string) $this->client->getResponse()->headers->get('Content-Security-Policy');
            self::assertStringContainsString("script-src 'self'", $policy, $path);
            self::assertStringNotContainsString('unsafe', $policy);
        }
        unset($_SERVER['APP_BENCH']);
    }

    public function testTemplatesHoldNothingInline(): void
    {
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(dirname(__DIR__, 2).'/templates')) as $file) {
            if ($file instanceof \SplFileInfo && 'twig' === $file->getExtension() && !str_contains($file->getPathname(), 'print')) {
                self::assertDoesNotMatchRegularExpression(
                    '~\sstyle="|<style|\son[a-z]+="|<script(?![^>]*\ssrc=)|hx-on|javascript:|x-html~',
                    (string) file_get_contents($file->getPathname()), $file->getPathname(),
                );
            }
        }
    }

    /** @param array<string, string> $fields */
    #[DataProvider('writes')]
    public function testAWriteWithoutTheTokenIsRefused(string $path, array $fields): void
    {
        $this->signIn('ines');
        $path = str_replace('{fit}', $this->tarnFit()->id, $path);
        $before = $this->db()->fetchOne('SELECT COUNT(*) FROM fit_event');
        foreach ([[], ['_csrf' => 'made-up']] as $token) {
            $this->client->request('POST', $path, $fields + $token);
            self::assertResponseStatusCodeSame(403);
        }
        self::assertSame($before, $this->db()->fetchOne('SELECT COUNT(*) FROM fit_event'));
    }

    /** @return iterable<string, array{string, array<string, string>}> */
    public static function writes(): iterable
    {
        yield 'events' => ['/fits/{fit}/events', []];
        yield 'a mark' => ['/fits/{fit}/mark', ['type' => 'noted', 'text' => 'x']];
        yield 'a start' => ['/start', ['vehicle' => 'veldra-tarn-20t', 'procedure' => 'thermostat-under']];
        yield 'an import' => ['/import', ['json' => '{}']];
        yield 'a sum' => ['/api/sums/torque-check', []];
    }

    public function testSigningInByTheForm(): void
    {
        $crawler = $this->client->request('GET', '/sign-in');
        self::assertStringContainsString('Ines Tarrow', $crawler->text());
        $this->client->submit($crawler->selectButton('Sign in')->form(['login' => 'Ines', 'password' => 'brackenfell-mile']));
        $this->client->followRedirect();
        self::assertSelectorTextContains('h1', 'In hand');
    }

    public function testAfterFiveWrongTriesEvenTheRightOneWaits(): void
    {
        for ($i = 0; $i < 6; ++$i) {
            $form = $this->client->request('GET', '/sign-in')->selectButton('Sign in')->form([
                'login' => 'ines', 'password' => 5 === $i ? 'brackenfell-mile' : 'guess-number-'.$i,
            ]);
            $this->client->submit($form);
            $this->client->followRedirect();
            self::assertSelectorTextContains('.notice.bad', 5 === $i ? 'Too many wrong tries' : 'is wrong');
        }
        $form = $this->client->request('GET', '/sign-in')->selectButton('Sign in')->form([
            'login' => 'joss', 'password' => 'brackenfell-mile',
        ]);
        $this->client->submit($form);
        self::assertStringEndsWith('/', (string) $this->client->getResponse()->headers->get('Location'));
    }

    public function testAHelperMayRecordButNotPlan(): void
    {
        $this->signIn('petra');
        $this->client->request('GET', '/start');
        self::assertSame(403, $this->client->getResponse()->getStatusCode());
        $answer = $this->send($this->tarnFit()->id, ['type' => 'noted', 'text' => 'Fetched a magnet.']);
        self::assertArrayHasKey('kept', $answer);
    }

    public function testAccountsForARealInstallation(): void
    {
        $this->db()->executeStatement('DELETE FROM account');
        $this->client->request('GET', '/sign-in');
        self::assertStringNotContainsString('brackenfell-mile', (string) $this->client->getResponse()->getContent());
        $bad = $this->command('account:create', ['login' => 'x', 'name' => 'X', '--role' => 'emperor']);
        self::assertSame(2, $bad->getStatusCode());
        self::assertStringContainsString('lead, mechanic or helper', $bad->getDisplay());
    }

    public function testPagesAnswerForASignedInPerson(): void
    {
        $this->signIn('ines');
        $fit = $this->tarnFit()->id;
        foreach ([
            '/', '/fits', '/fits/'.$fit, '/fits/'.$fit.'/bench', '/fits/'.$fit.'/loose-ends', '/start',
            '/start?vehicle=veldra-tarn-20t', '/start?vehicle=veldra-tarn-20t&procedure=thermostat-under&c_fill=burp', '/vehicles',
            '/vehicles/corrin-drover-27d', '/sums', '/sums/wrench-set', '/sums/coolant-mix?capacity=1&drained=9', '/kit', '/logbook',
            '/jump?q=mix', '/import',
        ] as $path) {
            $this->client->request('GET', $path);
            self::assertSame(200, $this->client->getResponse()->getStatusCode(), $path);
        }
        foreach ([
            '/fits/01ARZ3NDEKTSV4RRFFQ69G5FAV', '/fits/'.$fit.'/bench/no-such-step', '/vehicles/nothing', '/sums/nothing',
            '/start?vehicle=nothing',
        ] as $path) {
            $this->client->request('GET', $path);
            self::assertSame(404, $this->client->getResponse()->getStatusCode(), $path);
        }
        foreach ([
            '/start?vehicle=veldra-tarn-20t&procedure=thermostat-under&c_fill=siphon',
            '/start?vehicle=ostrel-vane-s6&procedure=thermostat-under',
        ] as $path) {
            $this->client->request('GET', $path);
            self::assertSame(422, $this->client->getResponse()->getStatusCode(), $path);
            self::assertSelectorExists('[role=alert]');
        }
    }
}
