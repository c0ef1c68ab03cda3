<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\Form\FormError;
use Symfony\Component\Form\FormFactoryInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Where nobody is here yet, the first lead is made, with the code that stands on the machine itself. */
final class FirstLeadController extends AbstractController
{
    #[Route('/first', name: 'first_lead', methods: ['GET', 'POST'])]
    public function __invoke(
        Request $request, FirstCode $code, AccountBook $accounts, FormFactoryInterface $forms, Security $security,
    ): Response {
        if (!$code->isOpen()) {
            return $this->redirectToRoute('sign_in', [], Response::HTTP_SEE_OTHER);
        }
        $form = $forms->createNamed('', PersonForm::class, new Person(), ['with_code' => true]);
        $form->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $new = $form->getData();
            if ($code->isRight($new->code)) {
                $lead = $accounts->create($new->login, $new->name, Role::Lead, $new->password);
                $code->used();
                $security->login($lead, 'form_login', 'main');
                $this->addFlash('good', sprintf(
                    'Welcome, %s. Say what the workshop is like; then enter a vehicle, your wrenches, your people.', $lead->name,
                ));

                return $this->redirectToRoute('workshop', [], Response::HTTP_SEE_OTHER);
            }
            $form->get('code')->addError(new FormError('That is not the code. bin/console account:code prints the one that holds now.'));
        }

        return $this->render('accounts/first.html.twig', ['form' => $form], new Response(status: $form->isSubmitted() ? 422 : 200));
    }
}
