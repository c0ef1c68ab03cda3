<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Accounts\AccountBook;
use NimbleKnuckle\App\Accounts\AccountChangeCommand;
use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\EvenSignIn;
use NimbleKnuckle\App\Accounts\Password;
use NimbleKnuckle\App\Accounts\Role;
use NimbleKnuckle\App\Accounts\SignedInThroughFaults;
use NimbleKnuckle\App\Accounts\SignInThrottle;
use NimbleKnuckle\App\Demo\DemoLoadCommand;
use NimbleKnuckle\Tests\Cpu;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\PasswordHasher\Hasher\NativePasswordHasher;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactory;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Http\Authenticator\AuthenticatorInterface;
use Symfony\Component\Security\Http\Authenticator\Passport\Badge\UserBadge;
use Symfony\Component\Security\Http\Authenticator\Passport\Credentials\PasswordCredentials;
use Symfony\Component\Security\Http\Authenticator\Passport\Passport;
use Symfony\Component\Security\Http\Event\CheckPassportEvent;

#[CoversClass(AccountBook::class)]
#[CoversClass(AccountChangeCommand::class)]
#[CoversClass(Password::class)]
#[CoversClass(DemoLoadCommand::class)]
#[CoversClass(EvenSignIn::class)]
#[CoversClass(SignedInThroughFaults::class)]
#[CoversClass(SignInThrottle::class)]
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
        self::assertStringNotContainsString(
            'brackenfell-mile', (string) $this->client->getResponse()->getContent(),
            'no password is printed where somebody is real',
        );
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

    public function testAPassingFaultOfTheDatabaseSignsNobodyOut(): void
    {
        $form = $this->client->request('GET', '/sign-in')->selectButton('Sign in')->form([
            'login' => 'joss', 'password' => 'brackenfell-mile',
        ]);
        $this->client->submit($form);
        $this->client->followRedirect();
        self::assertResponseIsSuccessful();
        $this->db()->executeStatement('ALTER TABLE account RENAME TO account_away');
        $this->client->request('GET', '/kit');
        self::assertSame(500, $this->client->getResponse()->getStatusCode(), 'the fault is shown as one, not as a sign-in page');
        $this->db()->executeStatement('ALTER TABLE account_away RENAME TO account');
        $this->client->request('GET', '/kit');
        self::assertResponseIsSuccessful();
    }

    public function testAClockThatWasWrongLocksNobodyOut(): void
    {
        $try = function (string $password): string {
            $form = $this->client->request('GET', '/sign-in')->selectButton('Sign in')->form(['login' => 'ines', 'password' => $password]);
            $this->client->submit($form);

            return $this->client->followRedirect()->text();
        };
        for ($i = 0; $i < 5; ++$i) {
            self::assertStringContainsString('is wrong', $try('guess-number-'.$i));
        }
        self::assertStringContainsString('Too many wrong tries', $try('brackenfell-mile'));
        // The five were written down while the clock stood a day ahead; since then it has been set right.
        $this->db()->executeStatement('UPDATE sign_in_failure SET at = at + 86400');
        self::assertStringNotContainsString('Too many wrong tries', $try('brackenfell-mile'));
    }

    public function testAnUnknownNameCostsAPasswordToo(): void
    {
        $slow = new NativePasswordHasher(cost: 10);
        $even = new EvenSignIn(new PasswordHasherFactory([AccountRecord::class => $slow]));
        $person = new AccountRecord('p', 'known', 'Known', Role::Helper, false);
        $person->hashPasswordTo($slow->hash('the right one, and long'));
        $time = function (callable $find) use ($even, $slow): float {
            $passport = new Passport(new UserBadge('somebody', $find), new PasswordCredentials('a wrong one'));

            return 1e3 * Cpu::seconds(function () use ($even, $slow, $passport): void {
                try {
                    $even(new CheckPassportEvent($this->createStub(AuthenticatorInterface::class), $passport));
                    $found = $passport->getUser();
                    $found instanceof AccountRecord && $slow->verify($found->getPassword(), 'a wrong one');
                } catch (UserNotFoundException) {
                }
            });
        };
        $known = $unknown = [];
        // The least of many: a busy machine makes single ones longer, never shorter.
        do {
            $known[] = $time(static fn (): AccountRecord => $person);
            $unknown[] = $time(static fn (): never => throw new UserNotFoundException());
        } while (count($known) < 7 || (count($known) < 40 && abs(min($unknown) / min($known) - 1.0) > 0.25));
        self::assertEqualsWithDelta(
            1.0, min($unknown) / min($known), 0.25, sprintf('known %.1f ms, unknown %.1f ms', min($known), min($unknown)),
        );
    }
}
