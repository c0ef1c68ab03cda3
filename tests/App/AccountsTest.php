<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Accounts\AccountBook;
use NimbleKnuckle\App\Accounts\AccountChangeCommand;
use NimbleKnuckle\App\Accounts\Password;
use NimbleKnuckle\App\Accounts\Role;
use NimbleKnuckle\App\Demo\DemoLoadCommand;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;

#[CoversClass(AccountBook::class)]
#[CoversClass(AccountChangeCommand::class)]
#[CoversClass(Password::class)]
#[CoversClass(DemoLoadCommand::class)]
final class AccountsTest extends AppTestCase
{
    #[DataProvider('bad')]
    public function testAPasswordThatIsNoneIsRefusedWithASentence(string $password, string $hint): void
    {
        $this->expectException(\DomainException::class);
        $this->expectExceptionMessageMatches('/'.$hint.'/');
        Password::ensureGood($password);
    }

    /** @return iterable<string, array{string, string}> */
    public static function bad(): iterable
    {
        yield 'nine signs' => ['abcdefghi', 'at least 10'];
        yield 'one sign over and over' => [str_repeat('x', 14), 'repeats'];
        yield 'two signs over and over' => ['abababababab', 'repeats'];
        yield 'three, and a rest' => ['xyzxyzxyzxy', 'repeats'];
        yield 'counted up' => ['1234567890', 'commonest'];
        yield 'counted down' => ['9876543210', 'commonest'];
        yield 'the word itself' => ['Password2026', 'commonest'];
        yield 'from the list' => ['qwertyuiop', 'commonest'];
        yield 'too long' => [str_repeat('ab cd ef ', 30).'!', 'at most'];
    }

    public function testSeveralWordsAreAPassword(): void
    {
        foreach (['brackenfell-mile', 'oil under nails', 'sieben Schrauben'] as $good) {
            Password::ensureGood($good);
        }
        $this->addToAssertionCount(3);
    }

    public function testAPersonIsSwitchedOffAndOnAndSignedOut(): void
    {
        foreach ([['off', 'switched off'], ['on', 'can sign in again'], ['sign-out', 'signed out everywhere']] as [$what, $said]) {
            $this->signIn('joss');
            $this->client->request('GET', '/kit');
            self::assertResponseIsSuccessful();
            $run = $this->command('account:change', ['login' => 'joss', 'what' => $what]);
            self::assertSame(0, $run->getStatusCode());
            self::assertStringContainsString($said, (string) preg_replace('/\s+/', ' ', $run->getDisplay()));
            if ('on' !== $what) {
                $this->client->request('GET', '/kit');
                self::assertResponseRedirects(null, 302, $what.' ends the session');
            }
            $this->command('account:change', ['login' => 'joss', 'what' => 'on']);
        }
        self::assertSame(2, $this->command('account:change', ['login' => 'nobody', 'what' => 'off'])->getStatusCode());
        self::assertSame(2, $this->command('account:change', ['login' => 'joss', 'what' => 'fly'])->getStatusCode());
    }

    public function testANewPasswordEndsEverySession(): void
    {
        $this->signIn('joss');
        $this->service(AccountBook::class)->changePassword('joss', 'another long word');
        $this->client->request('GET', '/kit');
        self::assertResponseRedirects();
    }

    public function testTheDemoIsNotLoadedOverAWorkshop(): void
    {
        $this->service(AccountBook::class)->create('anna', 'Anna Real', Role::Lead, 'oil under nails');
        foreach (['demo:load' => [], 'app:seed' => ['--fits' => '1']] as $command => $input) {
            $run = $this->command($command, $input);
            self::assertSame(2, $run->getStatusCode(), $command);
            self::assertStringContainsString('belongs to a real workshop', $run->getDisplay());
        }
        $this->client->request('GET', '/sign-in');
        self::assertStringNotContainsString('brackenfell-mile', (string) $this->client->getResponse()->getContent(), 'no password is printed where somebody is real');
    }

    public function testAFirstVisitIsSentToTheSignInWithTheWayBack(): void
    {
        $this->client->request('GET', '/kit?tool=x');
        self::assertResponseRedirects('/sign-in?to=/kit?tool%3Dx');
        $crawler = $this->client->request('GET', '/sign-in?to=/kit');
        self::assertSame('/kit', $crawler->filter('input[name=_target_path]')->attr('value'));
        foreach (['//evil.example', 'https://evil.example', '/\\evil.example'] as $elsewhere) {
            $this->client->request('GET', '/sign-in?to='.urlencode($elsewhere));
            self::assertSelectorNotExists('input[name=_target_path]');
        }
    }
}
