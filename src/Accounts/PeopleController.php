<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Form\FormError;
use Symfony\Component\Form\FormFactoryInterface;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** The people of the workshop: who there is, what each may do, who comes and who goes. For a lead. */
#[IsGranted(May::KeepPeople->value)]
final class PeopleController extends AbstractController
{
    private const PERSON = ['login' => '[a-z0-9][a-z0-9._-]{1,58}'];

    public function __construct(private readonly AccountBook $accounts, private readonly FormFactoryInterface $forms)
    {
    }

    #[Route('/people', name: 'people', methods: ['GET', 'POST'])]
    public function all(Request $request): Response
    {
        $form = $this->forms->createNamed('', PersonForm::class, new Person());
        $form->handleRequest($request);
        $new = $form->getData();
        if ($form->isSubmitted() && $form->isValid() && null !== $new->role) {
            $person = $this->accounts->create($new->login, $new->name, $new->role, $new->password);

            return $this->done(sprintf('%s can sign in as “%s”.', $person->name, $person->login));
        }

        return $this->render('accounts/people.html.twig', [
            'people' => $this->accounts->all(), 'form' => $form, 'roles' => Role::cases(), 'may' => May::cases(),
        ], new Response(status: $form->isSubmitted() ? 422 : 200));
    }

    #[Route('/people/{login}', name: 'person', requirements: self::PERSON, methods: ['GET', 'POST'])]
    public function one(string $login, Request $request): Response
    {
        $person = $this->person($login);
        $form = $this->changing($person);
        $form->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            try {
                $this->accounts->change($login, $form->getData()->name, $form->getData()->role ?? $person->role);

                return $this->done(sprintf('%s is changed.', $form->getData()->name));
            } catch (\DomainException $e) {
                $form->addError(new FormError($e->getMessage()));
            }
        }

        return $this->render('accounts/person.html.twig', [
            'person' => $person, 'form' => $form, 'password' => $this->forms->createNamed('', PasswordForm::class),
        ], new Response(status: $form->isSubmitted() ? 422 : 200));
    }

    #[Route('/people/{login}/password', name: 'person_password', requirements: self::PERSON, methods: ['POST'])]
    public function password(string $login, Request $request): Response
    {
        $person = $this->person($login);
        $form = $this->forms->createNamed('', PasswordForm::class);
        $form->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $given = $form->getData()['password'] ?? '';
            $this->accounts->changePassword($login, $given);

            return $this->done(sprintf('%s has a new password and is signed out everywhere.', $person->name));
        }

        return $this->render('accounts/person.html.twig', [
            'person' => $person, 'password' => $form,
            'form' => $this->changing($person),
        ], new Response(status: 422));
    }

    #[Route(
        '/people/{login}/{what}', name: 'person_act', requirements: self::PERSON + ['what' => 'off|on|sign-out'], methods: ['POST'],
    )]
    public function act(string $login, string $what, #[CurrentUser] AccountRecord $lead): Response
    {
        try {
            'off' !== $what || $lead->login !== $login || throw new \DomainException('You cannot switch yourself off: another lead can.');
            $person = 'sign-out' === $what ? $this->accounts->endSessions($login) : $this->accounts->switchOff($login, 'off' === $what);
        } catch (\DomainException $e) {
            $this->addFlash('bad', $e->getMessage());

            return $this->redirectToRoute('people', [], Response::HTTP_SEE_OTHER);
        }

        return $this->done(sprintf([
            'off' => '%s is switched off and signed out. What was done stays in the log.', 'on' => '%s can sign in again.',
            'sign-out' => '%s is signed out everywhere.',
        ][$what], $person->name));
    }

    /** @return FormInterface<Person> */
    private function changing(AccountRecord $person): FormInterface
    {
        return $this->forms->createNamed(
            '', PersonForm::class, new Person($person->name, $person->login, $person->role), ['known' => $person->login],
        );
    }

    private function person(string $login): AccountRecord
    {
        return $this->accounts->named($login) ?? throw $this->createNotFoundException(
            sprintf('There is nobody with the login “%s”.', $login),
        );
    }

    private function done(string $said): Response
    {
        $this->addFlash('good', $said);

        return $this->redirectToRoute('people', [], Response::HTTP_SEE_OTHER);
    }
}
