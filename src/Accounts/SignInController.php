<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Authentication\AuthenticationUtils;

final class SignInController extends AbstractController
{
    #[Route('/sign-in', name: 'sign_in', methods: ['GET', 'POST'])]
    public function __invoke(
        Request $request, AuthenticationUtils $utils, EntityManagerInterface $em, AccountBook $accounts, FirstCode $code,
    ): Response {
        if (null !== $this->getUser()) {
            return $this->redirectToRoute('yard');
        }
        if ($code->isOpen()) {
            return $this->redirectToRoute('first_lead');
        }
        // A first visit leaves no session behind: nothing is asked of it that is not there.
        $known = $request->hasPreviousSession() || $request->isMethod('POST');
        $error = $known ? $utils->getLastAuthenticationError() : null;
        $to = $request->query->getString('to');

        return $this->render('accounts/sign_in.html.twig', [
            'error' => $error instanceof TooManyFailures
                ? $error->getMessage()
                : (null === $error ? '' : 'Name or password is wrong. Look at both and try again.'),
            'login' => $known ? $utils->getLastUsername() : '',
            'to' => 1 === preg_match('~\A/(?![/\\\\])[\x21-\x7e]{0,300}\z~', $to) ? $to : '',
            // A password is shown only where nobody is real.
            'demoPeople' => $accounts->hasReal() ? [] : $em->getRepository(AccountRecord::class)->findBy(['demo' => true], ['id' => 'ASC']),
            'demoPassword' => DemoPassword::VALUE,
        ], new Response(status: null === $error ? 200 : 422));
    }
}
